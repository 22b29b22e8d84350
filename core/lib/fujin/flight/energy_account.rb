# frozen_string_literal: true

module Fujin
  module Flight
    # A run's energy, joule: what it began with, what engine and wind put in, what drag, inflow and friction took out.
    # A run whose account does not balance is not to be believed.
    class EnergyAccount
      TOLERANCE = 0.001

      attr_reader :supplied_j, :losses_j

      def initialize
        @start_j = @supplied_j = @losses_j = 0.0
        @closed = nil
      end

      def open(energy_j)
        @start_j = energy_j
      end

      def supply(joule)
        @supplied_j += joule
      end

      def lose(joule)
        @losses_j += joule
      end

      # What is out of balance, as a share of the energy at the start.
      def residual(energy_j) = @closed || ((energy_j - @start_j - @supplied_j + @losses_j) / @start_j)

      # At contact the ground joins in, which the account does not follow: the residual stays as it was.
      def close(energy_j)
        @closed = residual(energy_j) if @closed.nil?
      end

      # @raise [OutsideModel]
      def check(energy_j)
        out = residual(energy_j)
        if out.abs >= TOLERANCE
          raise OutsideModel, Text.of('the energy account of this run is out by %{out} %',
                                      out: format('%.2f', 100.0 * out))
        end
      end
    end
  end
end
