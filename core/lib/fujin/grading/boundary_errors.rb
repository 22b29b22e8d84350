# frozen_string_literal: true

module Fujin
  module Grading
    # How far each boundary of an attempt may lie from where it was: the same attempt with its boundaries and moments
    # moved about, in order, by what a finder's rule leaves open with samples so far apart.
    class BoundaryErrors
      # 90 %, seconds: what the rule leaves open, and the share of the time between two samples. Measured on flights of
      # known truth (docs/accuracy.md).
      STARTS = {
        'entry' => [0.06, 0.45], 'turn' => [0.3, 0.4], 'glide' => [0.45, 0.4], 'flare' => [0.15, 0.25],
        'recovery' => [0.18, 0.25], 'cushion' => [0.18, 0.25], 'touchdown' => [0.12, 0.6]
      }.freeze
      OTHERWISE = [0.3, 0.4].freeze
      # A boundary that came from a fallback.
      ESTIMATED_S = 0.7
      # Where heights are a barometer's, what is told by a height comes this much earlier or later.
      BY_HEIGHT = %w[recovery cushion touchdown slide settle termination roll_out].freeze
      BY_BAROMETER_S = 2.5
      # What is told by an airspeed, where that is worked out from the wind.
      BY_AIRSPEED = %w[glide].freeze
      BY_WIND_S = 1.0
      # The engine drives some while after it began to wind up.
      WITHOUT_ENGINE_RPM_S = 1.6
      MOMENTS = { power_on_s: [0.1, 1.1], contact_s: [0.12, 0.6], closure_s: [0.06, 0.45] }.freeze
      # Where a contact is found again, there is still this much.
      CONTACT_AGAIN = [0.05, 0.3].freeze
      # A contact is looked for again this near.
      NEAR_S = 2.0

      # @param attempt [Attempt] as found, @param signals [Recordings::Signals] in which it was
      def initialize(attempt, signals)
        @attempt = attempt
        @signals = signals
      end

      # @return [Hash{String => Float}] by phase, 90 % of its beginning, s
      def starts_s =
        @attempt.phases.to_h { |p| [p.id, nine_of_ten(*STARTS.fetch(p.id, OTHERWISE), *more_s(p))] }

      # @param signals [Recordings::Signals] in which the contact is looked for again
      # @param errors [Stratified]
      # @return [Attempt]
      def moved(signals, errors)
        times = moved_times(errors)
        events = moved_events(times, signals, errors)
        times = times.merge(@attempt.event(:contact_s) => events[:contact_s]) if events[:contact_s]
        at = ->(time) { times.fetch(time, time).clamp(signals.start_s, signals.end_s) }
        phases = @attempt.phases.map { |p| p.with(start_s: at.call(p.start_s), end_s: at.call(p.end_s)) }
        @attempt.with(start_s: at.call(@attempt.start_s), end_s: at.call(@attempt.end_s), phases: phases,
                      events: events)
      end

      private

      def nine_of_ten(rule, share, *more) =
        Math.sqrt((rule**2) + ((share * @signals.native_step_s)**2) + more.sum { |s| s**2 })

      # Seconds by which one is off this time.
      def off(errors, source, *rule) =
        nine_of_ten(*rule) / Recordings::Rerecorded::NINE_OF_TEN * errors.deviate(source)

      # Each boundary with where it is put; never past the next one.
      def moved_times(errors)
        starts = @attempt.phases.to_h do |p|
          [p.start_s, p.start_s + off(errors, "start of #{p.id}", *STARTS.fetch(p.id, OTHERWISE), *more_s(p))]
        end
        ends = @attempt.phases.to_h do |p|
          [p.end_s, p.end_s + off(errors, "end of #{p.id}", *OTHERWISE)]
        end
        finish = { @attempt.end_s => @attempt.end_s + off(errors, 'end', *OTHERWISE) }
        moved = finish.merge(ends, starts).sort
        moved.each_cons(2) { |before, after| after[1] = [after[1], before[1] + (0.2 * (after[0] - before[0]))].max }
        moved.to_h
      end

      def more_s(phase)
        [(ESTIMATED_S if phase.estimated),
         (BY_WIND_S if BY_AIRSPEED.include?(phase.id) && @signals.estimated?(:ias)),
         (BY_BAROMETER_S if BY_HEIGHT.include?(phase.id) && @signals.estimated?(:agl))].compact
      end

      # Those that are a boundary move with it.
      def moved_events(times, signals, errors)
        moved = @attempt.events.to_h do |name, value|
          next [name, value] unless value.is_a?(Float) && name.end_with?('_s')

          more = name == :power_on_s && !@signals.signal?(:ne) ? [WITHOUT_ENGINE_RPM_S] : []
          [name, times.fetch(value) { value + off(errors, name, *MOMENTS.fetch(name, OTHERWISE), *more) }]
        end
        @attempt.event(:contact) ? moved.merge(contact_again(signals, errors)) : moved
      end

      def contact_again(signals, errors)
        at = @attempt.event(:contact_s) or return {}
        found = Contact.find(signals, at - NEAR_S, at + NEAR_S)
        return { contact_s: at + off(errors, :contact_s, *MOMENTS.fetch(:contact_s)) } unless found

        { contact: found, contact_s: found.time_s + off(errors, :contact_s, *CONTACT_AGAIN) }
      end
    end
  end
end
