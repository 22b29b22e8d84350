# frozen_string_literal: true

module Fujin
  # Suggests a break where attempts at an exercise got worse within the flight: from what was graded, else from the
  # cockpit's taps.
  class BreakAdvice
    # @param sortie [Sortie]
    def initialize(sortie)
      @sortie = sortie
      @taps = HelpTaps.new(FlyEvent.of(sortie))
    end

    # @return [String, nil]
    def text
      graded = levels_graded
      (graded.any? ? graded : levels_tapped).each do |exercise, levels|
        trend = Progress::FlightTrend.new(levels)
        next unless trend.falling?

        return Text.of('%{declaration} got worse three times running: %{words}. A break, or something easier, does ' \
          'more now than another try.',
                       declaration: exercise.declaration.title, words: trend.words.downcase)
      end
      nil
    end

    private

    def levels_graded
      rows = @sortie.attempts.select { |row| row.asked? && row.counts }.sort_by(&:start_s)
      rows.group_by(&:exercise)
        .transform_values { |attempts| attempts.map { |row| row.given('instructor').values.min } }
        .select { |_, levels| levels.any? }
    end

    def levels_tapped
      @taps.in_exercises(@sortie.exercises).group_by(&:last).transform_values do |tapped|
        tapped.map { |number, exercise| level(number, exercise) }
      end
    end

    # The lowest grade that was tapped; help can only lower it.
    def level(number, exercise)
      grades = exercise.declaration.phases.filter_map { |phase| @taps.cockpit_grade(number, phase) }
      help = @taps.help(number)
      [*grades, (Grading::Grader::HELP_CEILING.fetch(help) unless help == 'alone')].compact.min
    end
  end
end
