# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Figures
      # Rectangles: looked for only when that is the exercise, about the sortie's planned figure; each time round is
      # one attempt, its sides split in the middle of the corners (docs/reference/boundaries.md).
      class RectangleFinder
        include Grading::Stretches

        EXERCISE = 'rectangle'
        SIDES = %w[downwind crosswind upwind crosswind_back].freeze
        NEAR_FT = 1000.0
        ABOVE_FT = 150.0
        SLOWEST_KT = 25.0
        LOOK_EVERY_S = 0.5
        HOLE_S = 4.0
        # A time round counts from this share of the figure.
        LEAST_SHARE = 0.85

        # @return [Array<Attempt>]
        def find
          return [] unless asked?

          @figure = PlannedFigure.new(planned)
          runs.flat_map { |run| laps(run) }.reject { |found| overlaps?(found.start_s, found.end_s) }
        end

        private

        def asked? =
          @context.exercise == EXERCISE && @context.spot && %i[lat lon agl gs].all? { |name| signals.signal?(name) }

        # Sides of a time round that is not complete; on the last of them now.
        def begun(_found)
          run = asked? ? runs.last : nil
          return nil if run.nil? || signals.end_s - run.last[0] > HOLE_S || run.last[1] <= run.first[1]

          lap = (run.last[1] / @figure.length_ft).floor
          return nil if lap < first_lap(run)

          from = lap * @figure.length_ft
          marks = [from, *corners.map { |corner| from + corner }].select { |way| way < run.last[1] }
          times = [*marks.map { |way| passes(run, way) }, signals.end_s]
          cut = times.each_cons(2).with_index.map { |(a, b), i| phase(SIDES[i], a, b) }
          overlaps?(times.first, signals.end_s) ? nil : attempt(EXERCISE, cut)
        end

        # Moments near the figure, each with the way gone along it since the run's start: [[t, way], …].
        def runs
          near = (0...signals.size).step([signals.samples(LOOK_EVERY_S), 1].max).filter_map { |i| look(i) }
          near.slice_when { |a, b| b[0] - a[0] > HOLE_S }.map { |run| unrolled(run) }
        end

        def look(index)
          return nil unless height(index) > ABOVE_FT && signals[:gs][index] > SLOWEST_KT && !signals[:lat][index].nan?

          place = @figure.nearest(*about_spot.place(index))
          [signals.time(index), place.way_ft] if place.beside_ft < NEAR_FT
        end

        def planned = @context.plan_of(Rectangle)
        def about_spot = @about_spot ||= Grading::AboutSpot.new(signals, @context.spot, planned.course_deg)

        # Ways without the jump at the start of the figure.
        def unrolled(run)
          length = @figure.length_ft
          way = run.first[1]
          run.each_cons(2).inject([[run.first[0], way]]) do |all, ((_, before), (time, after))|
            step = (((after - before) + (length / 2.0)) % length) - (length / 2.0)
            all << [time, way += step]
          end
        end

        def laps(run)
          length = @figure.length_ft
          last = ((run.map(&:last).max / length) - LEAST_SHARE).floor
          (first_lap(run)..last).filter_map { |lap| lap(run, lap * length) }
        end

        # The first that is flown all the way round, or nearly.
        def first_lap(run) = ((run.first[1] / @figure.length_ft) - (1.0 - LEAST_SHARE)).ceil

        def lap(run, from)
          ends =
            [from, *corners.map { |corner| from + corner }, from + @figure.length_ft].map { |way| passes(run, way) }
          cut =
            SIDES.each_with_index.filter_map do |id, i|
              phase(id, ends[i], ends[i + 1]) if ends[i] && ends[i + 1] && ends[i + 1] > ends[i]
            end
          cut.size == SIDES.size ? attempt(EXERCISE, cut) : nil
        end

        # Middle of each corner but the last, along the figure.
        def corners =
          @corners ||=
            @figure.parts.select { |part| part.id == 'turn' }.first(3).map { |part| (part.from_ft + part.to_ft) / 2.0 }

        # When the way was passed; the run's own end stands for an end that was not quite reached.
        def passes(run, way)
          return run.first[0] if run.first[1] >= way
          return run.last[0] if run.last[1] < way

          a, b = run.each_cons(2).find { |_, after| after[1] >= way }
          a[0] + ((b[0] - a[0]) * (way - a[1]) / [b[1] - a[1], 1e-6].max)
        end
      end
    end
  end
end
