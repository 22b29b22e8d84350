# frozen_string_literal: true

module Fujin
  # An exercise led to a site: its spot, ground and course are the site's, angle and break-off height what the site asks
  # for on the lesson's day.
  class SiteTaken
    # @param exercise [Exercise], @param line [String, nil] an approach of it; nil is the one that the verdict rests on
    def initialize(exercise, site, line)
      @exercise = exercise
      @site = site
      @line = line
    end

    # What of the exercise changes.
    # @return [Hash]
    # @raise [NotFound] for a line that is not there, [InvalidInput] where none is drawn
    def changes
      lat, lon = approach.day.site.lat_lon(approach.spot.at)
      { 'site_id' => @site.id, 'site_line' => approach.id, 'spot_name' => @site.name[0, 80],
        'spot_lat_deg' => lat, 'spot_lon_deg' => lon, 'course_deg' => approach.course_deg.round,
        'elevation_ft' => approach.day.site.elevation_ft + (approach.spot.ground_m / Quantities::FT),
        'settings' => @exercise.settings.except('approach_angle_deg', 'break_off_ft').merge(settings) }
    end

    private

    def settings
      return {} unless @exercise.declaration.at_site

      { 'approach_angle_deg' => approach.angle_deg.value&.round(1), 'break_off_ft' => break_off_ft }.compact
    end

    def break_off_ft
      gate = approach.break_off.gate_m
      gate.is_a?(String) ? nil : approach.at(gate, :height_ft).round(-1).clamp(20, 1500)
    rescue OutsideModel
      nil
    end

    def report
      @report ||= begin
        tried = { 'site_id' => @site.id, 'elevation_ft' => @site.site.elevation_ft }
        SortieSetting.new(@exercise.sortie, tried, @exercise).site_report
      end
    end

    def approach
      @approach ||= begin
        raise InvalidInput, [{ path: 'site_id', message: 'no line in is drawn there yet' }] if report.approaches.empty?

        wanted = @line || report.verdicts['train_dual'].approach
        report.approaches.find do |one|
          one.id == wanted
        end || (raise NotFound, Text.of('There is no line %{line} there.', line: @line) if @line) ||
          report.approaches.first
      end
    end
  end
end
