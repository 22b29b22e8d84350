# frozen_string_literal: true

module Fujin
  module Live
    # Follows a flight sample by sample: the readings against what they are held to now, the gates' calls. Which
    # exercise it is and which of its phases is seen beside it by the finders (UnderwaySeen); until they see one, the
    # exercise that is meant is being set up. A help for whoever watches from beside; in the cockpit the instructor's
    # eyes come first.
    class Monitor
      HELD = 'hover'
      # How long it is to be held.
      HELD_NUMBER = 'box_time_s'

      # @param exercise [Lessons::Exercise] that is meant
      def initialize(exercise)
        @instruments = Instruments.new(exercise.context.type, exercise.context.elevation_ft)
        @lock = Mutex.new
        mean(exercise)
      end

      # Another exercise is meant from now on.
      def mean(exercise)
        @lock.synchronize do
          @meant = exercise
          look_again unless @watched
        end
      end

      # @param watched [Watched, nil] the attempt that goes on, nil when none does
      def follow(watched)
        @lock.synchronize do
          same = watched&.phase == @watched&.phase && watched&.exercise&.id == @watched&.exercise&.id
          @watched = watched
          look_again unless same
        end
      end

      # @param sample [Hash{String => Float}] by channel name of the recording format
      # @return [Reading]
      def take(sample) = @lock.synchronize { read(sample) }

      # Why a reading is not there though it is sent. @return [Hash{String => String}]
      def doubts = @instruments.doubts

      private

      def look_again
        exercise = @watched ? @watched.exercise : @meant
        @bands = Bands.new(exercise, @watched)
        @expected = @next_bands = nil
        return if @gates_of == exercise.id

        @gates_of = exercise.id
        @gates = GateWatch.new(exercise)
        @box_s = exercise.plan&.value(HELD_NUMBER)
      end

      def read(sample)
        @instruments.take(sample)
        values = @instruments.values
        t_s = sample['t_s']
        gate = @gates.take(t_s, values, @watched&.phase)
        expect(@gates.begun(@watched.phase)) if @watched
        Reading.new(t_s: t_s, exercise: @watched&.exercise&.id, phase: @watched&.phase,
                    phase_s: @watched && (t_s - @watched.since_s), values: values,
                    bands: (@next_bands || @bands).at(values, @instruments.driven).slice(*values.keys).freeze,
                    gate: (gate if @watched), box_s: (@box_s if @watched&.phase == HELD))
      end

      # At the height of its gate the next phase is held to its own bands, though the finders see it a moment later.
      def expect(phase)
        return if phase == @expected

        @expected = phase
        @next_bands = phase && Bands.new(@watched.exercise, @watched.with(phase: phase))
      end
    end
  end
end
