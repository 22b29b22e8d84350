# frozen_string_literal: true

module Fujin
  # What reaches the exercise's spot from a height and a distance before it, on the final course, in the day's air.
  class FromHereQuestion
    # @param setting [SortieSetting]
    # @param asked [Hash] distance_ft, height_ft
    def initialize(setting, asked)
      @setting = setting
      @asked = asked
    end

    # @return [Hash] the API's FromHere
    # @raise [Conflict] for an exercise that leads to no spot
    def to_h
      unless @setting.declaration.spot_planner
        raise Conflict, Text.of('%{declaration} has no spot to glide to.', declaration: @setting.declaration.title)
      end

      plan = Catalogue.usual_glide.spot_planner.new(
        @setting.conditions, @setting.house,
        course_deg: @setting.exercise.course_deg, height_ft: @asked['height_ft'], stage: @setting.sortie.stage
      )
      { 'ways' => plan.from_here(@asked['distance_ft'].to_f).map { |way| Serialisers.way(way) } }
    end
  end
end
