# frozen_string_literal: true

module Fujin
  module Truth
    # What the grading made of flights of known truth, counted for one recorder: attempts found and made up, how far
    # their boundaries lie from where they were, how often a measure's printed range holds what was flown, faults named,
    # clean flights accused.
    class Accuracy
      # Fewer of a measure tell nothing.
      LEAST = 20

      COUNTS = %i[flights found there made_up graded planted named named_first clean accused].freeze

      # `boundaries`: errors of a phase's beginning, s, by phase. `inside`: by measure, whether what was flown lies in
      # its printed range and by how much the measure is off.
      attr_reader :counts, :boundaries, :inside

      COUNTS.each { |name| define_method(name) { counts.fetch(name) } }

      def initialize
        @counts = COUNTS.to_h { |name| [name, 0] }
        @boundaries = {}
        @inside = {}
      end

      # @param flight [KnownFlight], @param proposals [Array<Grading::Proposal>] what was made of it
      def add(flight, proposals)
        counts[:flights] += 1
        counts[:graded] += proposals.size
        flown = flight.truth.select { |one| one.attempt.manoeuvre == flight.manoeuvre.id }
        counts[:there] += flown.size
        counts[:made_up] += proposals.count { |one| flight.truth.none? { |known| same?(known, one) } }
        flown.each do |known|
          one = proposals.find { |proposal| same?(known, proposal) } or next
          counts[:found] += 1
          compare(known, one)
        end
        count_faults(flight, proposals.select { |one| one.attempt.manoeuvre == flight.manoeuvre.id })
      end

      # @return [Float] share of all values inside their printed range
      def coverage = share(inside.values.flatten(1))

      # @return [Hash{String => Float}] by measure, of those with values enough
      def coverage_by_measure = inside.select { |_, all| all.size >= LEAST }.transform_values { |all| share(all) }

      # Half of the errors of a phase's beginning, and nine of ten of them, are smaller, s.
      # @return [Array(Float, Float)]
      def boundary_s(phase) = [0.5, 0.9].map { |part| quantile(boundaries.fetch(phase).map(&:abs), part) }

      # What half of the errors of a measure stay under, in its unit.
      def error(id) = quantile(inside.fetch(id).map { |_, off| off.abs }, 0.5)

      # @param others [Array<Accuracy>] of other flights
      # @return [Accuracy] of all of them
      def self.together(others) = others.each_with_object(new) { |one, all| all.join(one) }

      def join(other)
        counts.merge!(other.counts) { |_, mine, theirs| mine + theirs }
        other.boundaries.each { |phase, errors| (boundaries[phase] ||= []).concat(errors) }
        other.inside.each { |id, pairs| (inside[id] ||= []).concat(pairs) }
      end

      private

      def same?(known, one)
        from = [known.attempt.start_s, one.attempt.start_s].max
        to = [known.attempt.end_s, one.attempt.end_s].min
        known.attempt.manoeuvre == one.attempt.manoeuvre &&
          to - from > 0.5 * (known.attempt.end_s - known.attempt.start_s)
      end

      def compare(known, one)
        known.attempt.phases.each do |phase|
          other = one.attempt.phase(phase.id) or next
          (boundaries[phase.id] ||= []) << (other.start_s - phase.start_s)
        end
        one.measures.each do |id, measure|
          flown = known.measures[id]&.value
          next unless measure.value && measure.low && flown

          (inside[id] ||= []) << [flown.between?(measure.low - 1e-9, measure.high + 1e-9), flown - measure.value]
        end
      end

      def count_faults(flight, proposals)
        names = proposals.flat_map { |one| one.faults.map(&:id) }
        flown = flight.truth.flat_map { |one| one.faults.map(&:id) }
        if flight.clean?
          counts[:clean] += 1
          counts[:accused] += 1 if (names - flown).any?
        elsif proposals.any?
          counts[:planted] += 1
          counts[:named] += 1 if names.intersect?(flight.faults.keys)
          counts[:named_first] += 1 if flight.faults.key?(names.first)
        end
      end

      def share(pairs) = pairs.empty? ? Float::NAN : pairs.count(&:first).fdiv(pairs.size)

      def quantile(values, part) = values.empty? ? Float::NAN : values.sort[(part * (values.size - 1)).round]
    end
  end
end
