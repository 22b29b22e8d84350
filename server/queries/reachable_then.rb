# frozen_string_literal: true

module Fujin
  # What could be reached when a failure came as a surprise: from the height, the place and the track at which the
  # attempt began.
  class ReachableThen
    # The track is that of so long before.
    BEFORE_S = 3.0
    # Beside the line by less is on it.
    ON_THE_LINE_FT = 50.0
    WORDS = {
      'glide' => 'of the house glide', 'stretch' => 'stretched', 'slow' => 'slowly', 'delay' => 'ten seconds later',
      's_turn' => 'after an S-turn', 'circle' => 'after a circle'
    }.freeze

    # @param attempt [AttemptRow]
    # @param setting [SortieSetting] its own
    def initialize(attempt, setting)
      @attempt = attempt
      @setting = setting
      before = (attempt.start_s - BEFORE_S)..attempt.start_s
      @points = (attempt.path || []).select { |point| before.cover?(point['t_s']) }
    end

    # @return [Hash, nil] the API's picture of it; nil where it was no surprise, or the positions are missing
    def to_h
      return nil unless @attempt.manner == 'surprise' && @attempt.declaration.spot_planner && track_deg

      shown(reaches)
    rescue OutsideModel, InvalidInput => e
      { 'text' => Text.of('What could be reached is not known: %{message}', message: e.message), 'reaches' => [] }
    end

    private

    def entry = @points.last
    def course_deg = @attempt.proposal['course_deg']

    # True track as it was flown over the ground.
    def track_deg
      return nil unless course_deg && @points.size > 1

      along, across = %w[along_ft across_ft].map { |name| entry[name] - @points.first[name] }
      (course_deg + (Math.atan2(across, along) / Quantities::DEG)) % 360.0
    end

    def reaches
      plan = Catalogue.usual_glide.spot_planner.new(
        @setting.conditions, @setting.house,
        course_deg: track_deg, height_ft: entry['height_ft'], stage: @attempt.sortie.stage
      )
      plan.reaches_from(entry['along_ft'], entry['across_ft'], course_deg: course_deg)
    end

    def shown(reaches)
      { 'text' => Text.of('From %{place}: %{answer}',
                          place: place, answer: answer(reaches.select(&:to_the_spot?).map(&:option))),
        'reaches' => reaches.map { |reach| Serialisers.reach(reach) } }
    end

    def place
      height, along, across = entry.values_at('height_ft', 'along_ft', 'across_ft').map { |feet| feet.round(-1) }
      where = Text.of('%{height} ft, %{along} ft %{side} the spot',
                      height: height, along: along.abs, side: along.negative? ? 'before' : 'beyond')
      return where if across.abs < ON_THE_LINE_FT

      Text.of('%{where} and %{across} ft %{side} of its line',
              where: where, across: across.abs, side: across.positive? ? 'right' : 'left')
    end

    def answer(options)
      return 'no way reaches the spot. Another one was the answer.' if options.empty?

      Text.of('the spot lay within reach %{options}.', options: Text.list(options.map { |option| WORDS.fetch(option) }))
    end
  end
end
