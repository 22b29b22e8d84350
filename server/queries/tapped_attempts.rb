# frozen_string_literal: true

module Fujin
  # Attempts of flights that nothing recorded, from the cockpit's taps alone: they count in blocks, and show nothing of
  # readiness.
  class TappedAttempts
    # @param taps [HelpTaps] of the sortie
    # @param on_day [Date] by the school's clock
    def initialize(sortie, taps, on_day)
      @sortie = sortie
      @taps = taps
      @on_day = on_day
    end

    # @return [Array<Progress::GradedAttempt>]
    def to_a = @taps.in_exercises(@sortie.exercises.to_a).map { |number, exercise| attempt(number, exercise) }

    private

    def attempt(number, exercise)
      phases = exercise.declaration.phases.to_h { |phase| [phase, @taps.cockpit_grade(number, phase)] }
      Progress::GradedAttempt.new(
        manoeuvre: exercise.manoeuvre,
        flown_at: @sortie.starts_at.to_f + number,
        on_day: @on_day,
        grades: phases,
        help: @taps.help(number),
        counts: false,
        critical: false,
        stage: @sortie.stage,
        done: @taps.manner(number) != 'demonstration' && !@sortie.teaching?,
        controls: @taps.controls(number, exercise.task),
        settings: exercise.own_settings
      )
    end
  end
end
