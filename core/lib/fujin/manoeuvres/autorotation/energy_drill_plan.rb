# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # Plans an energy drill: a steady glide left for another speed and taken up again, and what each store holds.
      class EnergyDrillPlan < Planning::ManoeuvrePlan
        def self.declaration = EnergyDrill

        DEPARTURE_KT = 15.0
        LOWEST_END_FT = 600.0

        private

        def default_height_ft = 3000.0
        def glide_kt = Planning::NeverExceed.capped(@house.glide_speed_kt(@type, trim), @conditions)
        def slow_kt = [glide_kt - DEPARTURE_KT, 30.0].max

        def fast_kt =
          [
            Planning::NeverExceed.capped(glide_kt + DEPARTURE_KT, @conditions),
            @type.fetch('speeds_kt.never_exceed') - Planning::NeverExceed::MARGIN_KT
          ].min

        def speed_ft(kt) = Planning::EnergyLedger.speed_ft(kt, @conditions)
        def rotor_ft(pct) = Planning::EnergyLedger.rotor_ft(pct, @conditions)
        def sink_fpm(kt) = trim.autorotation_sink_m_s(kt, rotor_pct: pct) / Q::FPM
        def pct = @pct ||= [100.0, trim.floor_rotor_rpm_pct(glide_kt)].min

        def own_numbers
          {
            'entry_height_ft' => number(@height_ft, 'ft'),
            'glide_speed_kt' => number(glide_kt, 'kt'),
            'glide_sink_fpm' => number(sink_fpm(glide_kt), 'fpm'),
            'slow_speed_kt' => number(slow_kt, 'kt'),
            'slow_sink_fpm' => number(sink_fpm(slow_kt), 'fpm'),
            'fast_speed_kt' => number(fast_kt, 'kt'),
            'fast_sink_fpm' => number(sink_fpm(fast_kt), 'fpm'),
            'speed_energy_ft' => number(speed_ft(glide_kt), 'ft'),
            'rotor_energy_ft' => number(rotor_ft(pct), 'ft'),
            'slow_to_glide_ft' => number(speed_ft(glide_kt) - speed_ft(slow_kt), 'ft'),
            'glide_to_fast_ft' => number(speed_ft(fast_kt) - speed_ft(glide_kt), 'ft'),
            'rotor_ten_points_ft' => number(rotor_ft(pct) - rotor_ft(pct - 10.0), 'ft'),
            'rotor_rpm_on_floor_pct' => number(trim.floor_rotor_rpm_pct(glide_kt), 'pct')
          }
        end

        # Glide, slow, glide, fast, glide: each change takes eight seconds, its energy from or into height.
        def path
          @path ||=
            begin
              rows = []
              @t = @along = 0.0
              @h = @height_ft
              [
                [glide_kt, glide_kt, 8],
                [glide_kt, slow_kt, 8],
                [slow_kt, slow_kt, 6],
                [slow_kt, glide_kt, 8],
                [glide_kt, glide_kt, 6],
                [glide_kt, fast_kt, 8],
                [fast_kt, fast_kt, 6],
                [fast_kt, glide_kt, 8]
              ].each { |from, to, seconds| leg(rows, from, to, seconds) }
              rows
            end
        end

        def leg(rows, from, to, seconds)
          seconds.times do |i|
            kt = from + ((to - from) * i / seconds.to_f)
            following = from + ((to - from) * (i + 1) / seconds.to_f)
            traded = speed_ft(following) - speed_ft(kt)
            lost = (sink_fpm((kt + following) / 2.0) / 60.0) + traded
            ground = groundspeed_kt(@course_deg, kt)
            rows << point(@t, @along, @h, kt, ground, lost * 60.0, :glide, rotor_rpm_pct: pct)
            @t += 1.0
            @along += ground * Q::KT / Q::FT
            @h -= lost
          end
        end

        def setup =
          setup_before(
            0.0,
            glide_kt,
            Text.of('Steady glide at %{glide_kt} kt, rotor in band, area below clear; the drill ends at %{height_ft} ' \
              'ft',
                    glide_kt: glide_kt.round, height_ft: path.last.height_ft.floor(-1))
          )

        def tables
          rows = [40, 50, 60, 70, 80].map { |kt| [kt.to_f, speed_ft(kt), sink_fpm(kt)] }
          rotor = [90, 95, 100, 105, 110].map { |p| [p.to_f, rotor_ft(p)] }
          [
            Planning::Table.new(
              id: 'speed_energy',
              title: 'What speed is worth',
              columns: [%w[Airspeed kt], ['As height', 'ft'], %w[Sink fpm]],
              rows: rows
            ),
            Planning::Table.new(
              id: 'rotor_energy',
              title: 'What the rotor is worth',
              columns: [['Rotor rpm', 'pct'], ['As height', 'ft']],
              rows: rotor,
              note:
                'Energy moved into speed has to be in the rotor or the height beforehand; ' \
                'energy coming out of speed has to be given somewhere to go.'
            )
          ]
        end

        def own_cautions
          ends_at = path.last.height_ft
          return [] if ends_at > LOWEST_END_FT

          short = LOWEST_END_FT - ends_at
          [
            caution(
              'drill_height',
              'limit',
              Text.of('The drill ends at %{ends_at} ft, %{wanted} wanted, %{short} ft short: begin at %{begin_at} ft ' \
                'or above.',
                      ends_at: ends_at.round, wanted: LOWEST_END_FT.round, short: short.ceil,
                      begin_at: (@height_ft + short).ceil(-1))
            )
          ]
        end
      end
    end
  end
end
