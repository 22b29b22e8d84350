# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # Plans a run-on landing under a power cap: the lowest speed the cap sustains in ground effect, the ground speed
      # that leaves in today's wind, the slide on each surface, start and threshold gates.
      class RunOnPlan < Plan
        def self.declaration = RunOnLanding

        # Skids: friction by surface (usual values).
        FRICTION = {
          'hard' => Flight::LandingGear::SKID_FRICTION,
          'short_grass' => 0.45,
          'wet_grass' => 0.25,
          'gravel' => 0.5
        }.freeze
        DEFAULT_CAP_PCT = 85.0
        # Speed kept over the least that the cap sustains, kt, and the ground speed under which nothing runs on.
        CAP_MARGIN_KT = 3.0
        RUN_ON_KT = 5.0
        THRESHOLD_FT = 20.0
        THRESHOLD_SINK_FPM = 300.0
        IN_GROUND_EFFECT_M = 3.3 * Quantities::FT

        private

        def default_height_ft = 300.0
        def ending = 'run_on'
        def angle_deg = (@settings['approach_angle_deg'] || @house['run_on_angle_deg']).to_f
        def end_height_ft = 0.0
        def cap_pct = (@settings['power_limit_pct'] || DEFAULT_CAP_PCT).to_f
        # The cap is of today's hover power out of ground effect, and never more than there is.
        def cap_w = [cap_pct / 100.0 * trim.hover_power_w, trim.power_available_w].min

        def lowest_near = @lowest_near ||= lowest_level_speed(cap_w, IN_GROUND_EFFECT_M)
        def lowest_away = @lowest_away ||= lowest_level_speed(cap_w, nil)
        def lowest_kt = lowest_near.value || raise(OutsideModel, lowest_near.reason)
        # At translational lift, unless the cap asks for more.
        def contact_ias_kt = @contact_ias_kt ||= [performance.translational_lift_kt, lowest_kt + CAP_MARGIN_KT].max
        def contact_power_w = trim.level_power_w(contact_ias_kt, height_m: IN_GROUND_EFFECT_M)
        def contact_groundspeed_kt = [groundspeed_kt(@course_deg, contact_ias_kt), 0.0].max

        # Slows evenly from the start to the contact speed.
        def groundspeed_at_kt(to_go_ft)
          share = (to_go_ft / distance_ft(@height_ft)).clamp(0.0, 1.0)
          finish = [contact_groundspeed_kt, 0.0].max
          start = [start_groundspeed_kt, finish].max
          [Math.sqrt((finish**2) + (((start**2) - (finish**2)) * share)), 1.0].max
        end

        def slide_ft(friction) = ((contact_groundspeed_kt * Q::KT)**2) / (2.0 * friction * Q::G) / Q::FT

        def own_numbers
          super.except('final_pull_kw').merge(
            'translational_lift_kt' => number(performance.translational_lift_kt, 'kt'),
            'cap_margin_kt' => number(contact_ias_kt - lowest_kt, 'kt'),
            'final_power_kw' => number(contact_power_w / 1000.0, 'kw'),
            'power_cap_kw' => number(cap_w / 1000.0, 'kw'),
            'power_cap_pct' => number(cap_pct, 'pct'),
            'lowest_level_speed_kt' => lowest_near,
            'lowest_level_speed_oge_kt' => lowest_away,
            'touchdown_ias_kt' => number(contact_ias_kt, 'kt'),
            'touchdown_groundspeed_kt' => number(contact_groundspeed_kt, 'kt'),
            'slide_ft' => number(slide_ft(FRICTION.fetch(@settings['surface'])), 'ft')
          )
        end

        def gates
          near = at_height(THRESHOLD_FT)
          start = path.first
          [
            Planning::Gate.new(
              id: 'start',
              height_ft: @height_ft,
              along_ft: start.along_ft,
              text: 'on the line, on speed, power under the cap',
              measures: {
                'ias_kt' => within(start.ias_kt, 5, 'kt')
              }
            ),
            Planning::Gate.new(
              id: 'threshold',
              height_ft: THRESHOLD_FT,
              along_ft: near.along_ft,
              text: 'skids level, along the ground track, or go around',
              measures: {
                'groundspeed_kt' => within(near.groundspeed_kt, 5, 'kt'),
                'sink_fpm' => {
                  target: [near.sink_fpm, THRESHOLD_SINK_FPM].min,
                  low: 0.0,
                  high: THRESHOLD_SINK_FPM,
                  unit: 'fpm'
                }
              }
            )
          ]
        end

        def setup =
          setup_before(
            path.first.along_ft,
            start_ias_kt,
            Text.of('Line along the wind or the strip, %{start_ias_kt} kt, the cap said aloud; surface looked at ' \
              'from above',
                    start_ias_kt: start_ias_kt.round)
          )

        def tables
          rows = FRICTION.map { |name, friction| [name.tr('_', ' '), friction, slide_ft(friction)] }
          [
            *super,
            Planning::Table.new(
              id: 'slide',
              title: 'Slide by surface',
              columns: [['Surface', nil], ['Friction', nil], %w[Slide ft]],
              rows: rows,
              note: 'Skids at full weight, from first contact; usual frictions, not your field\'s.'
            )
          ]
        end

        def own_cautions
          found =
            super +
            [
              *ground_resonance,
              caution(
                'aft_cyclic',
                'caution',
                'No aft cyclic to brake: the rotor can reach the tail boom. Collective down smoothly, direction with ' \
                  'pedals, drift with cyclic.'
              )
            ]
          if contact_groundspeed_kt < RUN_ON_KT
            found << caution(
              'no_run_on',
              'caution',
              Text.of('The wind leaves %{contact_groundspeed_kt} kt over the ground at touchdown: under %{run_on_kt} ' \
                'it is no run-on. Less wind along the line, or land with the wind as it is.',
                      contact_groundspeed_kt: contact_groundspeed_kt.round, run_on_kt: RUN_ON_KT.round)
            )
          end
          if lowest_kt < 1.0
            found << caution(
              'cap_hovers',
              'caution',
              'This power also hovers: fly it as practice, above translational lift.'
            )
          end
          if contact_groundspeed_kt > 35
            found << caution(
              'fast_touchdown',
              'limit',
              Text.of('%{contact_groundspeed_kt} kt over the ground at touchdown, 35 at most: more headwind, less ' \
                'load, or a higher cap.',
                      contact_groundspeed_kt: contact_groundspeed_kt.round)
            )
          end
          found
        end
      end
    end
  end
end
