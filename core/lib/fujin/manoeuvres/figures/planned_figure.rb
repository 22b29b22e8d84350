# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      # A planned figure over the ground, closed or not, as a line of points about the sortie's spot: where along it a
      # place lies and how far beside it. Lengths ft; along and across the plan's course.
      class PlannedFigure
        Place = Struct.new(:way_ft, :beside_ft)

        attr_reader :length_ft, :parts

        # @param plan [Planning::Plan] whose path begins at the spot
        def initialize(plan)
          @points = [[0.0, 0.0], *plan.path.map { |p| [p.along_ft, p.across_ft] }]
          @ways =
            @points
              .each_cons(2)
              .inject([0.0]) { |ways, (a, b)| ways << (ways.last + Math.hypot(b[0] - a[0], b[1] - a[1])) }
          @length_ft = @ways.last
          @parts = parts_of(plan)
        end

        # @return [Place] nearest to a place
        def nearest(along, across)
          best = nil
          least = Float::INFINITY
          @points.each_cons(2).with_index do |(a, b), i|
            x = b[0] - a[0]
            y = b[1] - a[1]
            share = ((((along - a[0]) * x) + ((across - a[1]) * y)) / ((x * x) + (y * y) + 1e-9)).clamp(0.0, 1.0)
            off2 = ((along - a[0] - (share * x))**2) + ((across - a[1] - (share * y))**2)
            next unless off2 < least

            least = off2
            best = @ways[i] + (share * (@ways[i + 1] - @ways[i]))
          end
          Place.new(best, Math.sqrt(least))
        end

        Part = Value.define(:id, :from_ft, :to_ft)

        private

        # Runs of the path with one phase, in order.
        def parts_of(plan)
          rows = plan.path.each_with_index.slice_when { |(a, _), (b, _)| a.phase != b.phase }
          rows
            .map do |run|
              Part.new(id: run.first[0].phase.to_s, from_ft: @ways[run.first[1]], to_ft: @ways[run.last[1] + 1])
            end
            .freeze
        end
      end
    end
  end
end
