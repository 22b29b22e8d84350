# frozen_string_literal: true

module Fujin
  module Truth
    # Flights with a fault, each asked what one change would have done, against its twin: the same flight in the same
    # air, flown without the fault.
    class Twins
      FULL = 'everything, 10 Hz'

      # One number that was claimed. `room` is what it may be out by.
      Claim = Value.define(:manoeuvre, :fault, :measure, :claimed, :true_change, :room) do
        def holds? = (claimed - true_change).abs <= room
      end
      # What was answered of one flight: its claims, or why nothing was claimed.
      Answered = Value.define(:manoeuvre, :fault, :claims, :reason, defaults: { claims: [].freeze, reason: nil }) do
        def claimed? = reason.nil?
      end

      # @return [Array<Catalogue::Declaration>] manoeuvres of which one change can be asked
      def self.kinds = Catalogue.all.select { |one| one.pilot && !one.at_site && one.knobs.any? }

      # @param count [Integer] of flights of each manoeuvre, @param seed [Integer] all that is drawn depends on it
      # @param kinds [Array<String>, nil] manoeuvres, all of them if none are named
      def initialize(count:, seed:, kinds: nil)
        flown = self.class.kinds.select { |one| kinds.nil? || kinds.include?(one.id) }
        @flights = flown.flat_map.with_index do |kind, place|
          among = kind.knobs.flat_map { |knob| [knob.more, knob.less] }.compact
          Array.new(count) do |i|
            [kind, KnownFlight.new(kind, Random.new((seed * 100_003) + (place * 1009) + i), faulty: true, among: among)]
          end
        end
      end

      # @param part [Integer], @param of [Integer] every so many of the flights, for one of several processes
      # @return [Array<Answered>] of those whose first fault is the one that was flown
      def answers(part: 0, of: 1) =
        @flights.each_slice(of).filter_map { |some| some[part] }.filter_map { |kind, flight| answer(kind, flight) }

      private

      def answer(kind, flight)
        fault = flight.faults.keys.first or return nil
        signals, context = flight.seen(PoorRecorder.new(FULL))
        proposal = of_kind(kind, Grading::Grader.new(signals, context).proposals)
        return nil unless proposal && proposal.faults.first&.id == fault

        found = Grading::OneChange.new(signals, proposal, context, fault).answer
        return Answered.new(manoeuvre: kind.id, fault: fault, reason: found.reason) unless found.claimed?

        truths = [flight, flight.twin].map { |one| of_kind(kind, one.truth) }
        return nil if truths.any?(&:nil?)

        Answered.new(manoeuvre: kind.id, fault: fault, claims: claims(kind, fault, found, proposal, truths))
      end

      def of_kind(kind, proposals) = proposals.find { |one| one.attempt.manoeuvre == kind.id }

      def claims(kind, fault, found, proposal, truths)
        found.told.filter_map do |id|
          before, after = truths.map { |one| one.measures[id]&.value }
          fitted, mended = [found.fitted, found.mended].map { |one| one.value(id) }
          next unless before && after && fitted && mended

          Claim.new(manoeuvre: kind.id, fault: fault, measure: id,
                    claimed: mended - fitted, true_change: after - before,
                    room: Grading::SureChange.room(proposal.measures[id], after - before))
        end
      end
    end
  end
end
