# frozen_string_literal: true

module Fujin
  module Lessons
    # A recording of a lesson of several exercises: the attempts in it, each given to the exercise that it was one of
    # and measured on that exercise's plan. Attempts of nothing that was asked for are measured on their own.
    class FlownExercises
      # Two spots nearer than this cannot be told apart by where an attempt ended, ft.
      APART_FT = 250.0
      GUESSED_S = 1.0

      Found = Value.define(:exercise, :proposal)

      # @param signals [Recordings::Signals]
      # @param exercises [Array<Exercise>] in the lesson's order
      # @param open [Grading::Context] the day without an exercise, for everything else
      # @param tapped [Array<Array(Float, String)>] moments of recording time from which somebody tapped an exercise
      # @param ranges [Boolean] as Grader has it
      def initialize(signals, exercises, open, tapped: [], ranges: true)
        @signals = signals
        @exercises = exercises
        @open = open
        @tapped = tapped.sort_by(&:first)
        @ranges = ranges
      end

      # @return [Array<Found>] in order of time; `exercise` is nil for what nobody asked for
      def found
        given.map { |exercise, attempt| Found.new(exercise: exercise, proposal: proposal(exercise, attempt)) }
      end

      # @param exercise [Exercise, nil], @param attempt [Grading::Attempt] as #given has them
      # @return [Grading::Proposal]
      def proposal(exercise, attempt)
        Grading::Grader.new(@signals, exercise ? exercise.context : @open, ranges: @ranges)
          .propose(declared(attempt), attempt)
      end

      # Each attempt with the exercise that it was one of, nil for what nobody asked for; nothing is measured.
      # @return [Array<Array(Exercise, Grading::Attempt)>] in order of time
      def given
        counted = Hash.new(0)
        attempts.map do |attempt|
          exercise = exercise_of(attempt, counted)
          counted[exercise.id] += 1 if exercise
          [exercise, attempt]
        end
      end

      # @return [Array<Grading::Attempt>] each finder asked with what it needs to know of the exercises
      def attempts
        @open
          .catalogue
          .finders
          .reduce([]) do |taken, finder|
            contexts(finder).reduce(taken) { |all, context| all + finder.new(@signals, context, all).find }
          end
          .sort_by(&:start_s)
      end

      # What goes on where the recording ends so far, of those that were asked for.
      # @param meant [String, nil] id of the exercise that was tapped last, where several could be it
      # @return [Array(Exercise, Grading::Attempt), nil]
      def underway(meant = nil)
        taken = []
        @open.catalogue.finders.each do |finder|
          own = exercises_of(finder)
          lookers = contexts(finder).map { |context| finder.new(@signals, context, taken) }
          on = own.empty? ? nil : lookers.filter_map(&:underway).max_by(&:start_s)
          return with_surest_phase(like(on, own, meant), on) if on

          taken += lookers.flat_map(&:find)
        end
        nil
      end

      private

      def exercises_of(finder) = @exercises.select { |one| one.declaration.finder == finder }

      # Until it is over an attempt may look like another kind that the same finder finds: it is what is meant as long
      # as it has no phase that this has not.
      def like(attempt, own, meant)
        tapped = own.find { |one| one.id == meant && (attempt.phase_ids - one.declaration.phases).empty? }
        tapped || own.find { |one| one.manoeuvre == attempt.manoeuvre } || own.first
      end

      # A phase that is guessed to have begun just now, or that the school's way leaves out, may be a mistake.
      def with_surest_phase(exercise, attempt)
        *before, last = attempt.phases
        return [exercise, attempt] if before.empty?

        guessed = last.estimated && !before.last.estimated && last.end_s - last.start_s < GUESSED_S
        flown = exercise.declaration.phases_for(exercise.context.house['ending'])
        [exercise, guessed || !flown.include?(last.id) ? attempt.with(phases: before.freeze) : attempt]
      end

      def declared(attempt) = @open.catalogue.find(attempt.manoeuvre)

      # A figure is found only where it was planned, so once for each; what an attempt was meant to be is known only
      # where all that its finder may find is one exercise.
      def contexts(finder)
        own = exercises_of(finder)
        return own.map(&:context) if finder.const_defined?(:EXERCISE, false)

        own.map(&:manoeuvre).uniq.size == 1 ? [own.first.context] : [@open]
      end

      # By kind; of several alike by what was tapped, by where it ended, then in order, as many each as were planned.
      def exercise_of(attempt, given)
        alike = @exercises.select { |exercise| exercise.manoeuvre == attempt.manoeuvre }
        return alike.first if alike.size < 2

        tapped(attempt, alike) || nearest(attempt, alike) ||
          alike.find { |exercise| given[exercise.id] < (exercise.planned_count || 1) } || alike.last
      end

      def tapped(attempt, alike)
        id = @tapped.reverse.find { |moment, _| moment <= attempt.start_s }&.last
        alike.find { |exercise| exercise.id == id }
      end

      # @return [Exercise, nil] nil where the places tell nothing
      def nearest(attempt, alike)
        at = attempt.event(:contact_s) || attempt.event(:stopped_s) || attempt.end_s
        away = alike.to_h { |exercise| [exercise, distance_ft(exercise.context.spot, at)] }
        return nil if away.values.any? { |ft| ft.nil? || ft.nan? }

        first, second = away.sort_by(&:last)
        second.last - first.last > APART_FT ? first.first : nil
      end

      def distance_ft(spot, at) =
        spot && Grading::AboutSpot.new(@signals, spot, 0.0).place_at(at).then { |place| Math.hypot(*place) }
    end
  end
end
