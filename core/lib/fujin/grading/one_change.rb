# frozen_string_literal: true

module Fujin
  module Grading
    # What one change would have done: the pilot model is fitted to an attempt, then flown again with only the first fault
    # mended. Nothing is claimed when the fit is poor, or when the fault is none that the pilot model flies.
    class OneChange
      # How a fault is flown: the pilot's faults for more and for less of it, the measure that shows it, and how much of the
      # fault one unit of the measure asks for.
      Knob = Value.define(:id, :more, :less, :measure, :gain, :least)
      KNOBS = [
        Knob.new(id: :delay, more: 'late_collective', less: nil, measure: 'collective_delay_s', gain: 1.0, least: 0.0),
        Knob.new(id: :speed, more: 'fast_glide', less: 'slow_glide', measure: 'glide_ias_mean_kt', gain: 1.0, least: -25.0),
        Knob.new(id: :rotor, more: 'high_rotor_rpm', less: 'low_rotor_rpm', measure: 'glide_rotor_rpm_mean_pct', gain: 1.0, least: -10.0),
        Knob.new(id: :flare_height, more: 'early_flare', less: 'late_flare', measure: 'flare_height_ft', gain: 1.0, least: -40.0),
        Knob.new(id: :flare, more: 'hard_flare', less: 'weak_flare', measure: 'flare_pitch_max_deg', gain: 0.055, least: -0.8),
        Knob.new(id: :cushion, more: 'weak_cushion', less: nil, measure: 'contact_sink_fpm', gain: 0.0012, least: 0.0),
        Knob.new(id: :drift, more: 'drift_at_contact', less: nil, measure: 'contact_drift_kt', gain: 1.0, least: -20.0),
        Knob.new(id: :place, more: 'entered_too_far', less: 'entered_too_close', measure: :entry_offset, gain: 1.0, least: -1500.0)
      ].freeze
      ROUNDS = 2
      # A fit is good while its root mean square differences stay under these.
      GOOD = { height_ft: 45.0, ias_kt: 5.0, rotor_pct: 3.0 }.freeze
      # What a change is told in, where the attempt has it. In words, from the amount of the fault that was taken away.
      WORDS = {
        delay: ->(amount) { "collective down #{amount.round(1)} s sooner" },
        speed: ->(amount) { "#{amount.abs.round} kt #{amount.positive? ? 'slower' : 'faster'} in the glide" },
        rotor: ->(amount) { "rotor rpm #{amount.abs.round} % #{amount.positive? ? 'lower' : 'higher'} in the glide" },
        flare_height: ->(amount) { "the flare #{amount.abs.round} ft #{amount.positive? ? 'lower' : 'higher'}" },
        flare: ->(amount) { "a flare #{amount.positive? ? 'gentler' : 'stronger'} by #{(amount.abs * 100).round} %" },
        cushion: ->(amount) { "a cushion stronger by #{(amount * 100).round} %" },
        drift: ->(amount) { "#{amount.abs.round} kt of drift taken off before contact" },
        place: ->(amount) { "the entry #{amount.abs.round} ft #{amount.positive? ? 'nearer' : 'farther out'}" }
      }.freeze
      TOLD = %w[min_rotor_rpm_pct gate_ias_kt glide_sink_fpm recovery_groundspeed_kt contact_sink_fpm contact_groundspeed_kt miss_along_ft].freeze

      # A flight of the model that stands for the attempt.
      FlownAgain = Value.define(:faults, :run, :signals, :proposal) do
        # The sink at contact is the model's own: no recorder stands between.
        def value(id)
          return run.contact && (run.contact[:sink_m_s] / Quantities::FPM) if id == 'contact_sink_fpm'

          proposal && proposal.measures[id]&.value
        end
      end
      # `reason` says why nothing is claimed; then `mended` is nil. `amount` is how much of the fault was taken away.
      Answer = Value.define(:fault, :knob, :amount, :fit, :fitted, :mended, :reason, defaults: { knob: nil, amount: nil, fit: nil, fitted: nil, mended: nil, reason: nil }) do
        def claimed? = !mended.nil?
        # The change in words.
        def change = claimed? ? WORDS.fetch(knob).call(amount) : nil
      end

      # @param signals [Recordings::Signals], @param proposal [Proposal], @param context [Context]
      # @param fault_id [String] of the fault to mend
      def initialize(signals, proposal, context, fault_id)
        @signals = signals
        @proposal = proposal
        @context = context
        @fault_id = fault_id
        @knob = KNOBS.find { |knob| [knob.more, knob.less].include?(fault_id) }
      end

      # @return [Answer]
      def answer
        return nothing("the pilot model flies no #{@fault_id.tr('_', ' ')}: nothing can be tried") unless @knob
        return nothing('only a straight-in autorotation that was finished can be flown again so far') unless comparable?

        values = fitted_values
        fitted = fly(values)
        return nothing('the model does not finish this flight') unless fitted.proposal

        fit = misfit(fitted)
        return nothing(poor(fit), fit: fit) if fit.any? { |name, off| off > GOOD.fetch(name) }

        Answer.new(fault: @fault_id, knob: @knob.id, amount: values[@knob.id], fit: fit, fitted: fitted, mended: fly(values.merge(@knob.id => 0.0)))
      rescue OutsideModel => e
        nothing(e.message)
      end

      private

      def nothing(reason, fit: nil) = Answer.new(fault: @fault_id, reason: reason, fit: fit)
      def comparable? = @proposal.attempt.manoeuvre == 'straight_in_autorotation' && @proposal.attempt.result == :completed && @proposal.attempt.phase('flare') && course

      def poor(fit)
        format('the model does not fit this flight well enough (height off by %<height_ft>d ft, speed by %<ias_kt>.1f kt, rotor rpm by %<rotor_pct>.1f %%)', **fit)
      end

      def course = @proposal.course_deg
      def value(proposal, id) = proposal && proposal.measures[id]&.value

      # Each knob turned by what its measure is off, round by round.
      def fitted_values
        values = KNOBS.to_h { |knob| [knob.id, 0.0] }
        ROUNDS.times do
          flown = fly(values)
          break unless flown.proposal

          values = KNOBS.to_h { |knob| [knob.id, [values[knob.id] + (knob.gain * difference(knob, flown)), knob.least].max] }
        end
        values
      end

      def difference(knob, flown)
        return entry_offset(@signals, @proposal) - entry_offset(flown.signals, flown.proposal) if knob.measure == :entry_offset

        seen = value(@proposal, knob.measure)
        made = value(flown.proposal, knob.measure)
        seen && made ? seen - made : 0.0
      end

      # How far before the spot the entry began, feet.
      def entry_offset(signals, proposal)
        return 0.0 unless @context.spot && signals.signal?(:lat)

        at = proposal.attempt.start_s
        north, east = LocalMap.new(*@context.spot).north_east(signals.at(:lat, at), signals.at(:lon, at))
        -LocalMap.along_across(north, east, course)[0] / Quantities::FT
      end

      # Beyond where the pilot model's faults make sense nothing is flown.
      MOST = { 'late_collective' => 4.0, 'hard_flare' => 1.0, 'weak_flare' => 0.8, 'weak_cushion' => 0.9, 'early_flare' => 120.0 }.freeze
      private_constant :MOST

      def faults(values)
        KNOBS.each_with_object({}) do |knob, chosen|
          value = values.fetch(knob.id)
          name = value.negative? && knob.less ? knob.less : knob.more
          size = knob.less ? value.abs : value
          chosen[name] = [size, MOST.fetch(name, size)].min if size.abs > 1e-3
        end
      end

      def fly(values)
        run = Flight::AutorotationFlight.new(conditions, house: house, height_ft: entry_height, course_deg: course, faults: faults(values)).run
        csv = Flight::Recorder.new(type: @context.type, origin: @context.spot || [0.0, 0.0], noise: 0.0).csv(run)
        signals = Recordings::Signals.new(Recordings.read(csv), type: @context.type, atmosphere: conditions.atmosphere, wind: conditions.wind)
        proposal = Grader.new(signals, flown_context).proposals.find { |found| found.attempt.manoeuvre == 'straight_in_autorotation' }
        FlownAgain.new(faults: faults(values), run: run, signals: signals, proposal: proposal)
      end

      def conditions = @conditions ||= @context.conditions.with(wind: @signals.wind || Wind.calm)
      def entry_height = @entry_height ||= value(@proposal, 'entry_height_ft') || @context.height_ft

      # It ends as the attempt ended, whatever was planned.
      def house
        ending = @proposal.attempt.phase('touchdown') ? 'touchdown' : 'power_recovery'
        @house ||= Planning::HouseMethod.new(@context.house.values.merge('ending' => ending))
      end

      def flown_context
        @flown_context ||= Context.new(conditions: conditions, house: house, stage: @context.stage, spot: @context.spot || [0.0, 0.0], course_deg: course, wind: conditions.wind,
                                       height_ft: entry_height, gate_height_ft: @context.gate_height_ft)
      end

      # Root mean square differences from closure to the earlier end, every quarter second.
      def misfit(flown)
        mine = @proposal.attempt
        other = flown.proposal.attempt
        length = [mine.end_s - mine.start_s, other.end_s - other.start_s].min
        { height_ft: :agl, ias_kt: :ias, rotor_pct: :nr }.transform_values do |name|
          pairs = (0..(length * 4).floor).map do |i|
            [@signals.at(name, mine.start_s + (i / 4.0)), flown.signals.at(name, other.start_s + (i / 4.0))]
          end.reject { |pair| pair.any?(&:nan?) }
          pairs.empty? ? 0.0 : Math.sqrt(pairs.sum { |a, b| (a - b)**2 } / pairs.size)
        end
      end
    end
  end
end
