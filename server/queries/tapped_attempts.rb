# frozen_string_literal: true

module Fujin
  # Attempts of flights that nothing recorded, from the cockpit's taps alone: they count in blocks, and show nothing of
  # readiness.
  class TappedAttempts
    # @param student_ids [Array<String>]
    # @return [Hash{String => Array<Progress::GradedAttempt>}] by student
    def self.of(student_ids)
      Sortie
        .where(student_id: student_ids)
        .where(id: FlyEvent.where(kind: 'attempt').select(:sortie_id))
        .where.missing(:recordings)
        .preload(:student, :exercises, :fly_events)
        .group_by(&:student_id)
        .transform_values { |sorties| sorties.flat_map { |sortie| new(sortie).to_a } }
    end

    def initialize(sortie)
      @sortie = sortie
      @taps = HelpTaps.new(sortie.fly_events.to_a)
    end

    # @return [Array<Progress::GradedAttempt>]
    def to_a = @taps.in_exercises(@sortie.exercises.to_a).map { |number, exercise| attempt(number, exercise) }

    private

    def attempt(number, exercise)
      phases = exercise.declaration.phases.to_h { |phase| [phase, @taps.cockpit_grade(number, phase)] }
      Progress::GradedAttempt.new(
        manoeuvre: exercise.manoeuvre,
        flown_at: @sortie.starts_at.to_f + number,
        on_day: @sortie.starts_at.to_date,
        grades: phases,
        help: @taps.help(number),
        counts: false,
        critical: false,
        stage: @sortie.stage,
        done: @taps.manner(number) != 'demonstration' && !@sortie.teaching?,
        controls: @taps.controls(number),
        settings: exercise.own_settings
      )
    end
  end
end
