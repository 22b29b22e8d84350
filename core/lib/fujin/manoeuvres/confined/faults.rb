# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # Faults of an approach to a site: those of any approach, and what it came too near to.
      class Faults < Approach::Faults
        def initialize(taker, measures)
          super
          @taker = taker
        end

        private

        def low_over_obstacle
          when_bad('low_over_obstacle', 'obstacle_clearance_ft') do |feet|
            over = @taker.lowest_over
            Text.of('%{feet} ft over %{what}, its top taken at its highest',
                    feet: feet.round, what: over ? over.id.tr('-', ' ') : 'what stands there')
          end
        end

        def tail_toward_obstacle =
          when_bad('tail_toward_obstacle', 'tail_clearance_ft') do |feet|
            Text.of('%{feet} ft behind the tail', feet: feet.round)
          end

        def low_on_the_way_out =
          when_bad('low_on_the_way_out', 'departure_clearance_ft') do |feet|
            Text.of('%{feet} ft over a top on the way out', feet: feet.round)
          end
      end
    end
  end
end
