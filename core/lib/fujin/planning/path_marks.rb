# frozen_string_literal: true

module Fujin
  module Planning
    # What stands beside a planned path where it applies. From the side: how high and how fast each stretch begins, how
    # it goes on, how far within the sink that is allowed. From above: each stretch's heading, speed over the ground,
    # drift and time, or which way and how steeply it turns; and how far out the spot is abeam.
    class PathMarks
      Q = Quantities
      # A stretch shorter than this has nothing of its own to say, seconds; and part of the whole way.
      SHORTEST_S = 4.0
      SHORTEST_PART = 0.1
      # Turned less than this from one point to the next it goes straight, degrees; a stretch of which less than this
      # part does is a turn. Less sink or climb than this is level, ft/min. More than this is a whole round, degrees.
      STRAIGHT_DEG = 1.0
      STRAIGHT_PART = 0.4
      LEVEL_FPM = 50.0
      ROUND_DEG = 345.0
      # A turn of which less than this part stays is one to either side.
      ONE_WAY_PART = 0.5
      # Slower through the air than this the nose points where the pilot holds it, not where the air comes from, knots.
      DRIFTS_KT = 15.0
      # Less of the way than this is standing still, feet.
      STANDS_FT = 50.0
      # Nearer than this the spot is passed, not abeam, feet.
      ABEAM_FT = 200.0
      # Less drift than this is none that anybody flies, degrees.
      DRIFT_DEG = 1.0
      # Not flown yet.
      BEFORE = %w[setup ground].freeze
      # What a gate's measure is called beside its band, by how the measure's id ends.
      GATE_WORDS = { 'ias_kt' => 'kt', 'groundspeed_kt' => 'kt over the ground', 'rotor_rpm_pct' => '% rotor rpm',
                     'sink_fpm' => 'ft/min down' }.freeze
      WATCHED = 5
      GATE = 4
      START = 3
      GOES_ON = 2
      BESIDE = 1

      # @param plan [Plan]
      # @return [Array<PathMark>]
      def self.of(plan) = new(plan).all

      def initialize(plan)
        @plan = plan
        @wind = plan.conditions.wind
        @stretches = plan.path.chunk_while { |a, b| a.phase == b.phase }.to_a
      end

      def all
        return [] if @plan.path.size < 3

        before = [@plan.path.first, *@stretches.map(&:last)]
        told = @stretches.zip(before).flat_map do |points, first|
          [begins(points, first), goes_on(points), over_ground([first, *points].uniq)]
        end
        [*told, abeam, *gates, *watched].compact
      end

      private

      def phase(points) = points.last.phase.to_s
      def name(points) = Text.of(phase(points).tr('_', ' '))
      def seconds(points) = points.last.t_s - points.first.t_s
      def middle(points) = points[points.size / 2]

      def mark(picture, point, lines, weight) =
        PathMark.new(picture: picture, along_ft: point.along_ft, across_ft: point.across_ft, height_ft: point.height_ft,
                     lines: lines, weight: weight)

      def feet(value) = "#{Q.thousands(Glossary.spoken(value, 'ft'))} ft"

      # @param first [PathPoint] where the stretch before it ends
      def begins(points, first)
        return if BEFORE.include?(phase(points)) || first.height_ft < 1

        told = { stretch: name(points), height: feet(first.height_ft) }
        line = if first.ias_kt && moves?(points)
                 Text.of('%{stretch}: %{height}, %{speed} kt', speed: first.ias_kt.round, **told)
               else
                 Text.of('%{stretch}: %{height}', **told)
               end
        mark('side', first, [line], START)
      end

      def goes_on(points)
        at = middle(points)
        return if seconds(points) < SHORTEST_S || at.ias_kt.nil? || at.sink_fpm.nil?
        return if BEFORE.include?(phase(points)) || !moves?(points)

        mark('side', at, [Text.of('%{speed} kt, %{vertical}', speed: at.ias_kt.round, vertical: vertical(at)),
                          *within_sink(points)], GOES_ON)
      end

      def moves?(points) = length(points) + (points.last.height_ft - points.first.height_ft).abs > STANDS_FT

      def vertical(point)
        return Text.of('rolling') if point.height_ft < 1
        return Text.of('level') if point.sink_fpm.abs < LEVEL_FPM

        Text.of('%{rate} ft/min %{way}',
                rate: Q.thousands(point.sink_fpm.abs.round(-1)), way: point.sink_fpm.positive? ? 'down' : 'up')
      end

      # Where the sink that is allowed was reckoned, by how much the descent stays under it.
      def within_sink(points)
        margin = @plan.value('sink_margin_fpm')
        return [] unless margin && phase(points) == 'descent'

        [Text.of('%{margin} ft/min %{over_or_under} what is allowed',
                 margin: Q.thousands(margin.abs.round(-1)), over_or_under: margin.negative? ? 'over' : 'under')]
      end

      # @return [Array(Complex, Complex)] through the air and over the ground, knots, along the final course and to its
      #   right as real and imaginary part
      def velocities(from, to)
        seconds = to.t_s - from.t_s
        over = Complex(to.along_ft - from.along_ft, to.across_ft - from.across_ft) * Q::FT / Q::KT / seconds
        blows_from = Complex.polar(@wind.speed_kt, (@wind.from_deg - @plan.course_deg) * Q::DEG)
        [over + blows_from, over]
      end

      def steps(points)
        points.each_cons(2).select { |a, b| b.t_s > a.t_s && (a.along_ft != b.along_ft || a.across_ft != b.across_ft) }
      end

      def over_ground(points)
        flown = steps(points)
        return if seconds(points) < SHORTEST_S || flown.empty? || length(points) < SHORTEST_PART * whole

        flown, ways = through_the_air(flown)
        return mark('above', middle(points), [name(points), 'drifts with the wind'], GOES_ON) if ways.empty?

        run = straight_run(ways)
        return mark('above', middle(points), [name(points), *turning(points, flown, ways)], GOES_ON) unless run

        at = (run.first + run.last) / 2
        mark('above', flown[at].first, [name(points), *straight(*ways[at], (points if run.size == ways.size))], GOES_ON)
      end

      # Without those that are too slow for the nose to follow the air: they have no heading.
      # @return [Array(Array, Array)] steps, and the velocities of each
      def through_the_air(steps)
        moving = steps.zip(steps.map { |a, b| velocities(a, b) }).reject { |_, (through, _)| through.abs < DRIFTS_KT }
        [moving.map(&:first), moving.map(&:last)]
      end

      # The longest run of steps of one direction, as places among them; nil where most of the stretch turns.
      def straight_run(ways)
        runs = ways.each_index.chunk_while { |i, j| (ways[j].last / ways[i].last).arg.abs < STRAIGHT_DEG * Q::DEG }
        longest = runs.max_by(&:size)
        longest if longest.size >= STRAIGHT_PART * ways.size
      end

      def length(points)
        points.each_cons(2).sum { |a, b| Math.hypot(b.along_ft - a.along_ft, b.across_ft - a.across_ft) }
      end

      def whole = @whole ||= length(@plan.path)

      def to_both_sides?(steps) = steps.sum.abs < ONE_WAY_PART * steps.sum(&:abs)

      # @param whole [Array<PathPoint>, nil] the stretch, where all of it is straight
      def straight(through, over, whole)
        heading = ((through.arg / Q::DEG) + @plan.course_deg).round % 360
        drift = (over / through).arg / Q::DEG
        to = drift.positive? ? 'right' : 'left'
        drifts = Text.of('drift %{drift}° %{to}', drift: drift.abs.round, to: to) if drift.abs >= DRIFT_DEG
        more = [("#{seconds(whole).round} s" if whole), drifts]
        [Text.of('heading %{heading}, %{over} kt over the ground',
                 heading: format('%03d', heading.zero? ? 360 : heading), over: over.abs.round),
         *([more.compact.join(', ')] if more.any?)]
      end

      # Bank of a level turn from how fast the nose goes round at this speed: tan φ = V ω / g.
      def turning(points, flown, ways)
        banks = flown.zip(ways).each_cons(2).map do |((a, _), (before, _)), ((b, _), (after, _))|
          rate = (after / before).arg.abs / (b.t_s - a.t_s)
          Math.atan(after.abs * Q::KT * rate / Q::G) / Q::DEG
        end
        [Text.of('%{turned} in %{seconds} s', turned: turned(ways.map(&:last)), seconds: seconds(points).round),
         Text.of('bank about %{bank}°', bank: Q.median(banks).round)]
      end

      # Which way and how far the way over the ground turns.
      def turned(ways)
        # Half a step at each end is turned before the first and after the last.
        steps = ways.each_cons(2).map { |a, b| (b / a).arg / Q::DEG * ways.size / (ways.size - 1) }
        whole = steps.sum
        way = whole.positive? ? 'right' : 'left'
        return steps.first.positive? ? 'right, then left' : 'left, then right' if to_both_sides?(steps)
        return Text.of('round to the %{way}', way: way) if whole.abs > ROUND_DEG

        Text.of('%{deg}° %{way}', deg: (whole.abs / 5.0).round * 5, way: way)
      end

      # Each with its bands.
      def gates
        @plan.gates.select(&:along_ft).map do |gate|
          at = @plan.path.min_by { |one| (one.along_ft - gate.along_ft).abs + (one.height_ft - gate.height_ft).abs }
          place = gate.title
          place = Text.of('%{stretch}: %{height}', stretch: place, height: feet(gate.height_ft)) if gate.height_ft >= 1
          mark('gate', at.with(along_ft: gate.along_ft, height_ft: gate.height_ft), [place, *bands(gate)], GATE)
        end
      end

      def bands(gate)
        gate.measures.filter_map do |id, measure|
          words = GATE_WORDS.find { |ending, _| id.end_with?(ending) }&.last or next
          low, high = measure.values_at(:low, :high).map { |value| value && Q.thousands(rounded(value)) }
          next if low.nil? && high.nil?

          low = nil if low == '0' && high
          next Text.of('%{low} to %{high} %{words}', low: low, high: high, words: words) if low && high

          next Text.of('at most %{high} %{words}', high: high, words: words) unless low

          Text.of('at least %{low} %{words}', low: low, words: words)
        end
      end

      def rounded(value) = value.abs >= 200 ? value.round(-1) : value.round

      # What is watched on a stretch, in the middle of it: the tail rotor from above, everything else from the side.
      def watched
        @plan.watched.filter_map do |stretch|
          points = @plan.path.select { |point| point.t_s.between?(stretch.from_s, stretch.until_s) }
          picture = stretch.id == 'tail_rotor' ? 'above' : 'side'
          mark(picture, middle(points), [stretch.words], WATCHED) if points.any?
        end
      end

      # Where the path passes the spot at some distance.
      def abeam
        passed = @plan.path.each_cons(2).find do |a, b|
          a.along_ft.positive? != b.along_ft.positive? && a.across_ft.abs >= ABEAM_FT
        end
        return if passed.nil? || @plan.gates.empty?

        mark('above', passed.first, [Text.of('abeam the spot at %{feet}',
                                             feet: feet(passed.first.across_ft.abs))], BESIDE)
      end
    end
  end
end
