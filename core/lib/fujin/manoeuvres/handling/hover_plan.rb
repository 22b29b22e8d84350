# frozen_string_literal: true

module Fujin
  module Planning
    # Plans an exercise in the hover: boxes by stage, power, pedal and tail-rotor numbers in today's wind.
    class HoverPlan < ManoeuvrePlan
      MANOEUVRE = 'hover'
      # Drift radius ft, height ±ft, heading ±deg, seconds in the box, by stage.
      BOXES = { 'early' => [15, 4, 20, 20], 'solo' => [10, 3, 15, 30], 'test' => [6, 2, 10, 45], 'instructor' => [4, 1, 5, 60] }.freeze

      private

      def default_height_ft = @house['hover_height_ft'].to_f
      def height_range_ft = [0, 50]
      def slow_headings = [['in the hover', @course_deg]]
      def box = BOXES.fetch(@stage)

      def own_numbers
        radius, height, heading, seconds = box
        { 'hover_height_ft' => number(@height_ft, 'ft'), 'box_radius_ft' => number(radius.to_f, 'ft'), 'box_height_ft' => number(height.to_f, 'ft'),
          'box_heading_deg' => number(heading.to_f, 'deg'),
          'box_time_s' => number(seconds.to_f, 's'), 'hover_power_here_kw' => try('kw') { trim.hover_power_w(height_m: @height_ft * Q::FT) / 1000.0 },
          'pedal_share_pct' => try('pct') { 100.0 * trim.hover_power_w(height_m: @height_ft * Q::FT) / trim.power_available_w } }
      end

      def path = [point(0.0, 0.0, @height_ft, wind.speed_kt, 0.0, 0.0, :hover), point(box[3].to_f, 0.0, @height_ft, wind.speed_kt, 0.0, 0.0, :hover)]

      def setup
        SetUp.new(height_ft: @height_ft, speed_kt: 0.0, steady_s: 3.0, leg_ft: 0.0, start_along_ft: 0.0, start_across_ft: 0.0,
                  text: "Into wind, a mark ahead and one to the side, three seconds steady before the count begins; #{power_check}")
      end

      def power_check = @house['power_check'] == 'hover' ? 'power in the hover compared with what is there' : 'power checked in flight before'

      def tables
        rows = BOXES.map { |stage, (radius, height, heading, seconds)| [stage, radius.to_f, height.to_f, heading.to_f, seconds.to_f] }
        [Table.new(id: 'boxes', title: 'Boxes by stage', columns: [['Stage', nil], ['Drift', 'ft'], ['Height ±', 'ft'], ['Heading ±', 'deg'], ['Held', 's']], rows: rows), wind_table]
      end

      # The wind from each side, and what it does.
      def wind_table
        rows = (0...360).step(45).map do |relative|
          heading = (wind.from_deg - relative) % 360.0
          sector = Aircraft::TailRotor.disturbed?(@type, relative)
          [relative.to_f, heading, sector ? 'tail-rotor sector' : 'clear']
        end
        Table.new(id: 'wind_sectors', title: 'Nose turned so that the wind comes from', columns: [['From the nose', 'deg'], %w[Heading deg], ['Tail rotor', nil]], rows: rows,
                  note: "#{@type.power_on_pedal.capitalize} pedal costs power with this rotor; sectors matter from about 8 kt.")
      end

      def own_cautions
        [caution('rollover', 'caution', 'Dynamic rollover: a skid held, sideways motion, collective up. The answer is collective down, smoothly.'),
         caution('lateral', 'note',
                 "The hover hangs a little #{@type.clockwise? ? 'right' : 'left'} side low: with this rotor the tail rotor pushes to the #{@type.clockwise? ? 'left' : 'right'}.")]
      end
    end

    # Pedal turns: rate, time, the side that costs power.
    class HoverTurnPlan < HoverPlan
      MANOEUVRE = 'hover_turn'
      RATES_DEG_S = { 'early' => 15.0, 'solo' => 20.0, 'test' => 25.0, 'instructor' => 30.0 }.freeze

      private

      def turn_deg = (@settings['turn_deg'] || 90.0).to_f
      def slow_headings = (0..8).map { |i| ['in the turn', @course_deg + (side * turn_deg * i / 8.0)] }
      def side = @settings['turn_side'] == 'right' ? 1.0 : -1.0
      def costly? = @settings['turn_side'] == @type.power_on_pedal
      def rate = RATES_DEG_S.fetch(@stage)

      def own_numbers = super.merge('turn_deg' => number(turn_deg, 'deg'), 'turn_rate_deg_s' => number(rate, 'deg_s'), 'turn_time_s' => number(turn_deg / rate, 's'))

      def own_cautions
        text = if costly?
                 "Turning #{@settings['turn_side']} takes power with this rotor: collective and rpm watched."
               else
                 "Turning #{@settings['turn_side']} gives power back " \
                   'with this rotor: stopping it takes power.'
               end
        [caution('turn_power', 'note', text), *super]
      end
    end

    # Straight up and straight down.
    class LiftOffPlan < HoverPlan
      MANOEUVRE = 'lift_off_and_set_down'

      private

      def path
        [[0, 0.0], [3, 0.3], [6, 1.5], [9, @height_ft], [14, @height_ft], [18, 1.5], [22, 0.3], [25, 0.0]].map do |t, h|
          point(t.to_f, 0.0, h, wind.speed_kt, 0.0, 0.0, h.zero? ? :ground : :hover)
        end
      end

      def tables
        steps = [['Light on the skids', 'pause: nothing hooked or frozen, attitude steady'], ['Straight up', 'no sideways movement before the skids are clear'],
                 ['Hover', 'controls, power, temperatures'], ['Down', 'vertical, no movement over the ground'], ['Contact', 'seating check before the collective goes all the way down']]
        [Table.new(id: 'steps', title: 'Steps', columns: [['Step', nil], ['Look for', nil]], rows: steps, note: 'Power up through the first inches is where a hooked skid shows.'),
         *super]
      end
    end

    # One control at a time.
    class EffectsOfControlsPlan < HoverPlan
      MANOEUVRE = 'effects_of_controls'
      # What the student has, and what is held against.
      LADDER = [['following through', 'nothing: hands light on all three'], ['cyclic', 'position'], ['collective', 'height'], ['pedals', 'heading'], ['cyclic and pedals',
                                                                                                                                                      'position and heading'],
                ['cyclic and collective', 'position and height'], ['all three, prompted', 'the box'], ['all three, alone', 'the box']].freeze

      private

      def tables
        rows = LADDER.each_with_index.map { |(hands, held), i| [(i + 1).to_f, hands, held, (box[3] * (i < 4 ? 0.5 : 1.0))] }
        [
          Table.new(id: 'hand_over', title: 'Hand-over ladder', columns: [['Step', nil], ['Student has', nil], ['Holds', nil], ['For', 's']], rows: rows,
                    note: 'A step back at once when the box is left twice.'), *super
        ]
      end
    end

    # Speed changes at a height.
    class LevelSpeedChangePlan < ManoeuvrePlan
      MANOEUVRE = 'level_speed_change'
      BANDS = { 'early' => [150, 10], 'solo' => [100, 10], 'test' => [100, 5], 'instructor' => [50, 5] }.freeze
      ACCELERATION = 0.6

      private

      def default_height_ft = 1000.0
      def slow_headings = []
      def cruise_kt = @type.fetch('speeds_kt.cruise').to_f
      def slow_kt = @type.fetch('speeds_kt.climb').to_f - 10.0

      def own_numbers
        height, heading = BANDS.fetch(@stage)
        { 'entry_height_ft' => number(@height_ft, 'ft'), 'fast_speed_kt' => number(cruise_kt, 'kt'), 'slow_speed_kt' => number(slow_kt, 'kt'),
          'fast_power_kw' => number(performance.level_power_w(cruise_kt) / 1000.0, 'kw'), 'slow_power_kw' => number(performance.level_power_w(slow_kt) / 1000.0, 'kw'),
          'change_time_s' => number((true_kt(cruise_kt) - true_kt(slow_kt)) * Q::KT / ACCELERATION, 's'), 'height_band_ft' => number(height.to_f, 'ft'),
          'heading_band_deg' => number(heading.to_f, 'deg'),
          'climb_fpm' => try('fpm') { performance.climb_m_s(@type.fetch('speeds_kt.climb').to_f) / Q::FPM },
          'descent_power_kw' => try('kw') { performance.power_w(cruise_kt, 500.0 * Q::FPM) / 1000.0 } }
      end

      def path
        change = value('change_time_s')
        [[0.0, cruise_kt], [10.0, cruise_kt], [10.0 + change, slow_kt], [30.0 + change, slow_kt], [30.0 + (2 * change), cruise_kt], [40.0 + (2 * change), cruise_kt]].map do |t, kt|
          point(t, true_kt(kt) * Q::KT * t / Q::FT, @height_ft, kt, groundspeed_kt(@course_deg, kt), 0.0, :level)
        end
      end

      def setup = setup_before(0.0, cruise_kt, 'Level, trimmed, a mark on the horizon')

      def tables
        rows = [40, 50, 60, 70, 80, 90].select { |kt| kt <= @type.fetch('speeds_kt.never_exceed') }.map do |kt|
          [kt.to_f, cell { performance.level_power_w(kt) / 1000.0 }, cell do
            performance.climb_m_s(kt) / Q::FPM
          end]
        end
        [Table.new(id: 'powers', title: 'Level power', columns: [%w[Airspeed kt], %w[Power kw], ['Climb left', 'fpm']], rows: rows),
         SoloDual.table(@conditions, @type.glide_speed_kt.to_f)]
      end
    end
  end
end
