# frozen_string_literal: true

module Fujin
  # A lesson put into the core's words: its exercises, each with what it is measured against, and the day without any.
  class LessonSetting
    # @param sortie [Sortie]
    def initialize(sortie)
      @sortie = sortie
      @settings = sortie.exercises.to_h { |exercise| [exercise, SortieSetting.new(sortie, {}, exercise)] }
    end

    # What every exercise has alike: aircraft, air, wind.
    # @return [SortieSetting]
    def day = @settings.each_value.first

    # @return [Array<Lessons::Exercise>]
    def exercises
      @exercises ||= @settings.map do |exercise, setting|
        Lessons::Exercise.new(id: exercise.id, context: setting.grading_context,
                              planned_count: exercise.planned_count, plan_version: exercise.plan_version)
      end
    end

    # Each exercise with its plan, or with why there is none.
    # @return [Hash{Exercise => Planning::Plan, Error}]
    def plans
      @settings.transform_values do |setting|
        setting.plan
      rescue OutsideModel, InvalidInput => e
        e
      end
    end

    # Those that lead to a surveyed site, with what is computed of it for the lesson's day.
    # @return [Hash{Exercise => Manoeuvres::Confined::Report}]
    def sites = @settings.select { |exercise, _| exercise.site_id }.transform_values(&:site_report)

    # @param signals [Recordings::Signals]
    # @return [Array<Lessons::FlownExercises::Found>]
    def found(signals) =
      Lessons::FlownExercises.new(signals, exercises, day.open_context, tapped: tapped(signals)).found

    private

    # When which exercise was tapped, in recording time; nothing where the file has no clock.
    def tapped(signals)
      clock = signals.recording.clock_s or return []
      HelpTaps.new(@sortie.fly_events.to_a).exercises.map { |at, id| [at.to_f - clock, id] }
    end
  end
end
