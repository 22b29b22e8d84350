# frozen_string_literal: true

module Fujin
  module Grading
    # What one change would have done: the pilot model is fitted to an attempt, then flown again with only the first
    # fault mended. Nothing is claimed when the fit is poor, or when the fault is none that the pilot model flies.
    class OneChange
      ROUNDS = 4
      MOVES_NOTHING = 'without it no number would be another by more than its uncertainty: nothing is claimed'
      NONE_SURE = 'the model that fits this flight has none of what it would change surely enough: nothing is claimed'
      # A fit is good while its root mean square differences stay under these.
      GOOD = {
        height_ft: 45.0, ias_kt: 5.0, rotor_pct: 4.0, sink_fpm: 300.0, collective_pct: 10.0, place_ft: 160.0
      }.freeze
      # What each is compared in.
      COMPARED = { height_ft: :agl, ias_kt: :ias, rotor_pct: :nr, sink_fpm: :sink, collective_pct: :collective }.freeze

      # A flight of the model that stands for the attempt.
      FlownAgain = Value.define(:faults, :run, :signals, :proposal) do
        # The sink at contact is the model's own: no recorder stands between.
        def value(id)
          return run.contact && (run.contact[:sink_m_s] / Quantities::FPM) if id == 'contact_sink_fpm'

          proposal && proposal.measures[id]&.value
        end
      end
      # `reason` says why nothing is claimed; then `mended` is nil. `amount` is how much of the fault was taken away;
      # `told` are the measures that tell what it did.
      Answer =
        Value.define(
          :fault, :knob, :amount, :fit, :fitted, :mended, :reason, :told,
          defaults: {
            knob: nil,
            amount: nil,
            fit: nil,
            fitted: nil,
            mended: nil,
            reason: nil,
            told: [].freeze
          }
        ) do
          def claimed? = !mended.nil?
          # The change in words.
          def change = claimed? ? knob.words.call(amount) : nil
        end

      # @param signals [Recordings::Signals], @param proposal [Proposal], @param context [Context]
      # @param fault_id [String] of the fault to mend
      def initialize(signals, proposal, context, fault_id)
        @signals = signals
        @proposal = proposal
        @context = context
        @fault_id = fault_id
        @manoeuvre = context.catalogue.find(proposal.attempt.manoeuvre)
        @knob = @manoeuvre.knobs.find { |knob| knob.flies?(fault_id) }
      end

      # @return [Answer]
      def answer
        unless @manoeuvre.pilot
          return nothing(Text.of('the pilot model does not fly %{manoeuvre} yet: nothing can be tried',
                                 manoeuvre: @manoeuvre.title.downcase))
        end
        unless @knob
          return nothing(Text.of('the pilot model flies no %{fault_id}: nothing can be tried',
                                 fault_id: @fault_id.tr('_', ' ')))
        end
        return nothing('only an attempt that was finished can be flown again') unless comparable?

        plain = told_with(plain_knobs)
        plain.claimed? || plain_knobs == @manoeuvre.knobs ? plain : told_with(@manoeuvre.knobs)
      end

      private

      # What happens last comes from all that was before: a contact may be hard because of the flare alone. So first
      # the flight is tried with nothing wrong at its end but what is asked about.
      def plain_knobs = @plain_knobs ||= @manoeuvre.knobs.reject { |knob| knob.last && knob != @knob }

      def told_with(knobs)
        values = fitted_values(knobs)
        fitted = fly(values)
        return nothing('the model does not finish this flight') unless fitted.proposal

        fit = misfit(fitted)
        return nothing(poor(fit), fit: fit) if fit.any? { |name, off| off > GOOD.fetch(name) }

        return nothing(none_of_it, fit: fit) unless @knob.shows?(@fault_id, values[@knob.id])

        mended = fly(values.merge(@knob.id => 0.0))
        moved = moved_by(fitted, mended)
        return nothing(MOVES_NOTHING, fit: fit) if moved.empty?

        sure = moved.select { |id| SureChange.as_flown?(@proposal.measures[id], fitted.value(id), mended.value(id)) }
        return nothing(NONE_SURE, fit: fit) if sure.empty?

        Answer.new(fault: @fault_id, knob: @knob, amount: values[@knob.id], fit: fit, fitted: fitted, mended: mended,
                   told: sure - @knob.untold)
      rescue OutsideModel, InvalidInput => e
        nothing(e.message)
      end

      # @return [Array<String>] measures that the change moves by more than they are known to
      def moved_by(fitted, mended) =
        @manoeuvre.told.select { |id| SureChange.moved?(@proposal.measures[id], fitted.value(id), mended.value(id)) }

      def attempt = @proposal.attempt
      def nothing(reason, fit: nil) = Answer.new(fault: @fault_id, reason: reason, fit: fit)

      # Flown to its end; an approach may also have been turned away from.
      def comparable?
        return true if attempt.phase('settle')
        return false unless course
        return true if attempt.phase('descent')

        attempt.result == :completed && attempt.phase('flare')
      end

      def poor(fit)
        Text.of('the model does not fit this flight well enough (height off by %{height_ft} ft, speed by %{ias_kt} ' \
          'kt, rotor rpm by %{rotor_pct} %, sink by %{sink_fpm} ft/min, collective by %{collective_pct} %, place by ' \
          '%{place_ft} ft)',
                **fit.to_h { |id, off| [id, %i[ias_kt rotor_pct].include?(id) ? off.round(1) : off.to_i] })
      end

      # What was named came from something else: taking it away would change nothing.
      def none_of_it =
        Text.of('the model that fits this flight has next to nothing of it (%{fault}): look for another cause',
                fault: @manoeuvre.fault(@fault_id).title.downcase)

      # From a hover, where the nose pointed.
      def course =
        @proposal.course_deg ||
          (attempt.phase('settle') && @signals.signal?(:heading) ? @signals.at(:heading, attempt.start_s) % 360.0 : nil)

      def value(proposal, id) = proposal && proposal.measures[id]&.value

      # Each knob turned by what its measure is off, round by round; the others stay where nothing is wrong.
      def fitted_values(knobs)
        values = @manoeuvre.knobs.to_h { |knob| [knob.id, 0.0] }
        ROUNDS.times do
          flown = fly(values)
          break unless flown.proposal

          changes = knobs.to_h { |knob| [knob.id, knob.gain * difference(knob, flown)] }
          values =
            values.merge(knobs.to_h do |knob|
              [knob.id, (values[knob.id] + changes[knob.id]).clamp(knob.range.begin, knob.range.end)]
            end)
          break if changes.all? { |id, change| change.abs <= 0.02 * [values[id].abs, 1.0].max }
        end
        values
      end

      def difference(knob, flown)
        seen, made =
          [flown_attempt(@signals, @proposal), flown_attempt(flown.signals, flown.proposal)].map do |one|
            knob.read(one)
          end
        seen && made ? seen - made : 0.0
      end

      # Both are read about the same spot and course.
      def flown_attempt(signals, proposal)
        FlownAttempt.new(signals: signals, proposal: proposal, context: @context, course_deg: course)
      end

      # The pilot's faults for the knobs' values; one who turned away turns away again, if in time.
      def faults(values)
        chosen = @manoeuvre.knobs.filter_map { |knob| knob.fault(values.fetch(knob.id)) }.to_h
        attempt.result == :go_around ? { 'late_decision' => 0.0 }.merge(chosen) : chosen
      end

      def fly(values)
        run =
          @manoeuvre.pilot.call(conditions, house: house, course_deg: course, faults: faults(values), **as_flown).run
        csv = Flight::Recorder.new(type: @context.type, origin: @context.spot || [0.0, 0.0], noise: 0.0).csv(run)
        signals =
          Recordings::Signals.new(
            Recordings.read(csv),
            type: @context.type,
            atmosphere: conditions.atmosphere,
            wind: conditions.wind
          )
        found = Grader.new(signals, flown_context, ranges: false).proposals
        proposal = found.find { |one| one.attempt.manoeuvre == @manoeuvre.id }
        FlownAgain.new(faults: faults(values), run: run, signals: signals, proposal: proposal)
      end

      def conditions = @conditions ||= @context.conditions.with(wind: @signals.wind || Wind.calm)

      # Height, speed and turns that the attempt began with and went through.
      def as_flown = @as_flown ||= { height_ft: height_ft, start_ias_kt: start_ias_kt, settings: settings }.compact

      def height_ft =
        value(@proposal, 'entry_height_ft') ||
          (@signals.signal?(:agl) ? @signals.at(:agl, attempt.start_s) - @signals.agl_zero_ft : @context.height_ft)

      def start_ias_kt
        return nil unless attempt.phase('descent') && @signals.signal?(:ias)

        @signals.at(:ias, attempt.start_s).then { |kt| kt.nan? ? nil : kt }
      end

      # The sortie's own; the turns as they were flown.
      def settings
        planned = @context.exercise == @manoeuvre.id ? @context.settings : {}
        @manoeuvre.flown_settings.call(@signals, @context, attempt, planned, course)
      end

      # It ends as the attempt ended, whatever was planned.
      def house
        touched = attempt.phase('touchdown') || attempt.event(:contact_s)
        @house ||=
          Planning::HouseMethod.new(
            @context.house.values.merge(
              'ending' => touched ? 'touchdown' : 'power_recovery',
              'steep_ending' => touched ? 'surface' : 'hover'
            )
          )
      end

      def flown_context
        @flown_context ||=
          Context.new(
            catalogue: @context.catalogue,
            conditions: conditions,
            house: house,
            stage: @context.stage,
            spot: @context.spot || [0.0, 0.0],
            course_deg: course,
            wind: conditions.wind,
            height_ft: height_ft,
            gate_height_ft: @context.gate_height_ft,
            exercise: @manoeuvre.id,
            settings: settings
          )
      end

      # Root mean square differences from its start to the earlier end, every quarter second.
      def misfit(flown)
        mine = attempt
        other = flown.proposal.attempt
        length = [mine.end_s - mine.start_s, other.end_s - other.start_s].min
        moments = (0..(length * 4).floor).map { |i| i / 4.0 }
        off = COMPARED.transform_values do |name|
          next [] unless @signals.signal?(name) && flown.signals.signal?(name)

          moments.map { |t| @signals.at(name, mine.start_s + t) - flown.signals.at(name, other.start_s + t) }
        end
        off.merge(place_ft: apart(flown, moments)).transform_values { |values| root_mean_square(values) }
      end

      def root_mean_square(values)
        known = values.reject(&:nan?)
        known.empty? ? 0.0 : Math.sqrt(known.sum { |v| v * v } / known.size)
      end

      # How far from each other over the ground, where both have positions about the same spot.
      def apart(flown, moments)
        places = [flown_attempt(@signals, @proposal), flown_attempt(flown.signals, flown.proposal)].map do |one|
          return [] unless one.about_spot && one.course_deg && one.signals.signal?(:lat)

          moments.map { |t| one.about_spot.place_at(one.attempt.start_s + t) }
        end
        places.transpose.map { |a, b| Math.hypot(a[0] - b[0], a[1] - b[1]) }
      end
    end
  end
end
