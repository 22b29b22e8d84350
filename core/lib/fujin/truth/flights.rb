# frozen_string_literal: true

module Fujin
  module Truth
    # A number of known flights of every manoeuvre that a pilot model flies, clean and with a fault by turns, and what
    # the grading makes of each as every recorder has it.
    class Flights
      # @param count [Integer] of flights, @param seed [Integer] all that is drawn depends on it
      # @param recorders [Array<String>] of PoorRecorder::ALL
      # @param kinds [Array<String>, nil] manoeuvres, all of them if none are named
      def initialize(count:, seed:, recorders: PoorRecorder::ALL.keys, kinds: nil)
        flown = Catalogue.all.select { |one| one.pilot && !one.at_site && (kinds.nil? || kinds.include?(one.id)) }
        @flights = Array.new(count) do |i|
          KnownFlight.new(flown[i % flown.size], Random.new((seed * 100_003) + i), faulty: (i / flown.size).odd?)
        end
        @recorders = recorders.map { |name| PoorRecorder.new(name) }
      end

      # @param part [Integer], @param of [Integer] every so many of the flights, for one of several processes
      # @yield [done] how many of them are done
      # @return [Hash{String => Accuracy}] by recorder
      def accuracy(part: 0, of: 1)
        found = @recorders.to_h { |recorder| [recorder.name, Accuracy.new] }
        @flights.each_slice(of).filter_map { |some| some[part] }.each_with_index do |flight, i|
          @recorders.each { |recorder| found.fetch(recorder.name).add(flight, flight.as_recorded(recorder)) }
          yield i + 1 if block_given?
        end
        found
      end
    end
  end
end
