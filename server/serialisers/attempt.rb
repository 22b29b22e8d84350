# frozen_string_literal: true

module Fujin
  module Serialisers
    # One attempt as a person may see it. Until the student has graded, the student is shown neither proposal nor the
    # instructor's grades, and the instructor's grades are not shown to anybody beside the student's.
    class AttemptView
      HIDDEN_FROM_STUDENT = %w[measures fault_details first_fault overall critical].freeze

      # @param grades [Array<Hash>] everything that was given of it, in its order
      # @param measures [Boolean] whether it is told with them
      # @param held_back [Boolean] from whoever sees it: HeldBack
      def initialize(row, number, taps, grades:, measures:, held_back:)
        @row = row
        @number = number
        # The cockpit's number for it, where the clock tells.
        @tap_no = row.tap_no || number
        @taps = taps
        @held_back = held_back
        @grades = grades
        @measures = measures
      end

      def to_h
        shown = hold_back? ? proposal.except(*HIDDEN_FROM_STUDENT, 'faults') : proposal.except('faults')
        measured(shown).merge(
          'id' => @row.id,
          'sortie_id' => @row.sortie_id,
          'recording_id' => @row.recording_id,
          'position' => @number,
          'title' => @row.declaration.title,
          'asked' => @row.asked?,
          'exercise_id' => @row.exercise_id,
          'counts' => @row.counts,
          'manner' => @row.manner,
          'task' => @row.task,
          'throttle_by' => @row.throttle_by,
          'spot_name' => @row.spot_name,
          'void_reason' => @row.void_reason,
          'self_graded' => @row.self_graded?,
          'shown' => shown_now,
          'help' => @taps.help(@tap_no),
          'phases' => phases,
          'taps' => taps,
          'grades' => grades,
          'teaching' => @row.sortie.teaching? ? TeachingView.new(@row, hidden: hold_back?).to_h : nil
        )
      end

      private

      # The database keeps no order of keys; the declaration has it.
      def measured(shown)
        stored = shown['measures']
        return shown.except('measures') unless @measures && stored

        shown.merge('measures' => measures(stored))
      end

      def measures(stored)
        stored.slice(*@row.declaration.measure_ids).to_h do |id, measure|
          [id, measure.merge(Serialisers.measure_words(id, @row.manoeuvre), lengths(id, measure['value']))]
        end
      end

      # A distance also in lengths of the aircraft, as people see it from above.
      def lengths(id, feet)
        return {} unless feet && Glossary.measure(id).in_lengths

        { 'lengths' => Serialisers.number(feet * Quantities::FT / @row.sortie.aircraft.type.overall_length_m, 1) }
      end

      def proposal = @proposal ||= @row.judged

      def hold_back? = @held_back

      def taps
        own = @taps.of_attempt(@tap_no)
        own = own.reject { |event| event.kind == 'grade' } if hold_back?
        own.map { |event| Serialisers.fly_event(event, @taps) }
      end

      def shown_now
        return 'all' unless hold_back?

        @row.sortie.teaching? ? 'name_fault_first' : 'self_grade_first'
      end

      # The proposal with the help that was tapped; help can only lower it.
      def phases
        proposal['phases'].map do |phase|
          help = @taps.help(@tap_no, phase: phase['id'])
          base =
            phase.except('grade').merge(
              'help' => help == 'alone' ? nil : help,
              'cockpit_grade' => @taps.cockpit_grade(@tap_no, phase['id'])
            )
          next base.except('driver', 'critical', 'cockpit_grade').merge('proposed' => nil) if hold_back?

          ceiling = Grading::Grader::HELP_CEILING.fetch(help)
          lowered = phase['grade'] && ceiling < phase['grade']
          base.merge('proposed' => lowered ? ceiling : phase['grade'], 'driver' => lowered ? help : phase['driver'],
                     'because' => lowered ? nil : driver_label(phase['driver']))
        end
      end

      # In words; of the help that a grade is held down by there are others.
      def driver_label(driver)
        Glossary.measure(driver, @row.manoeuvre).label if Glossary.measures.key?(driver)
      end

      def grades = hold_back? ? @grades.select { |grade| grade['kind'] == 'self' } : @grades
    end
  end
end
