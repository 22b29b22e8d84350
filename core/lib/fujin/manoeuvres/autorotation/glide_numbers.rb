# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # The numbers of a gliding autorotation under their fixed ids (docs/reference/plan-numbers.md).
      class GlideNumbers
        include Planning::Numbers

        Q = Quantities
        SKID_FRICTION = Flight::LandingGear::SKID_FRICTION

        def initialize(
          conditions:,
          trim:,
          targets:,
          course_deg:,
          floor_pct:,
          sink_m_s:,
          lowest_rotor_pct:,
          flare_peak_pct:,
          contact_speed_m_s:,
          house:
        )
          @conditions = conditions
          @trim = trim
          @targets = targets
          @course_deg = course_deg
          @floor_pct = floor_pct
          @sink = sink_m_s
          @lowest_rotor_pct = lowest_rotor_pct
          @flare_peak_pct = flare_peak_pct
          @contact_speed = contact_speed_m_s
          @house = house
        end

        # @return [Hash{String => PlanNumber}]
        def all = glide.merge(rotor, heights, ending)

        private

        def air = @conditions.atmosphere

        def glide
          pct = @targets['target_rotor_rpm_pct']
          slow_speed, slow_sink = @trim.minimum_sink(rotor_pct: pct)
          best_speed, best_ratio =
            @trim.best_glide(
              rotor_pct: pct,
              headwind_kt: @conditions.wind.headwind_kt(@course_deg),
              highest_kt: Planning::NeverExceed.highest_planned_kt(@conditions)
            )
          still_ratio = @trim.best_glide(rotor_pct: pct).last
          sink = @sink / Q::FPM
          spread = Plan::SINK_SPREAD
          speed = air.true_speed(@targets['glide_speed_kt'] * Q::KT)
          {
            'min_sink_fpm' => number(slow_sink / Q::FPM, 'fpm'),
            'min_sink_speed_kt' => number(slow_speed, 'kt'),
            'best_glide_ratio' => number(still_ratio, 'index'),
            'best_glide_speed_kt' => number(best_speed, 'kt'),
            'best_ground_glide_ratio' => number(best_ratio, 'index'),
            'glide_speed_kt' => number(@targets['glide_speed_kt'], 'kt'),
            'glide_sink_fpm' => number(sink, 'fpm', sink * (1 - spread), sink * (1 + spread)),
            'glide_ratio' => number(speed / @sink, 'index'),
            'glide_angle_deg' => number(Math.atan2(@sink, speed) / Q::DEG, 'deg')
          }.merge(over_the_ground(speed))
        end

        def over_the_ground(true_speed)
          wind = @conditions.wind
          ground = wind.groundspeed_kt(@course_deg, true_speed / Q::KT) * Q::KT
          drift = wind.drift_angle_deg(@course_deg, true_speed / Q::KT)
          { 'groundspeed_kt' => number(ground / Q::KT, 'kt'), 'ground_glide_ratio' => number(ground / @sink, 'index'),
            'ground_glide_angle_deg' => number(Math.atan2(@sink, ground) / Q::DEG, 'deg'),
            'drift_angle_deg' =>
              drift ? number(drift, 'deg') : no_number('deg', 'the wind is stronger than the glide speed') }
        end

        def rotor
          {
            'rotor_rpm_on_floor_pct' => number(@floor_pct, 'pct'),
            'target_rotor_rpm_pct' => number(@targets['target_rotor_rpm_pct'], 'pct'),
            'lowest_rotor_rpm_pct' => number(@lowest_rotor_pct, 'pct'),
            'flare_rotor_rpm_peak_pct' => number(@flare_peak_pct, 'pct')
          }.merge(decay)
        end

        def decay
          times =
            Flight::RotorDecay.new(@conditions, speed_kt: @targets['entry_speed_kt']).seconds_to(
              90.0,
              80.0,
              @targets['power_off_low_pct']
            )
          {
            'rotor_decay_to_90_s' => time(times[0], 90),
            'rotor_decay_to_80_s' => time(times[1], 80),
            'reaction_time_s' => time(times[2], @targets['power_off_low_pct'].round)
          }
        end

        def time(seconds, pct)
          return number(seconds, 's') if seconds

          no_number('s', Text.of("rotor rpm does not fall to %{pct} % within the model's run", pct: pct))
        end

        def heights
          {
            'entry_height_ft' => number(@targets['entry_height_ft'], 'ft'),
            'entry_speed_kt' => number(@targets['entry_speed_kt'], 'kt'),
            'gate_height_ft' => number(@targets['gate_height_ft'], 'ft'),
            'flare_height_ft' => number(@targets['flare_height_ft'], 'ft'),
            'flare_pitch_max_deg' => number(@targets['flare_pitch_max_deg'], 'deg')
          }.merge(never_exceed)
        end

        def never_exceed
          limit = Planning::NeverExceed.power_off_kt(@conditions)
          limit ? { 'never_exceed_power_off_kt' => number(limit, 'kt') } : {}
        end

        def ending
          return { 'recovery_height_ft' => number(@targets['hover_height_ft'], 'ft') } unless @contact_speed

          { 'touchdown_groundspeed_kt' => number(@contact_speed / Q::KT, 'kt'),
            'slide_ft' => number((@contact_speed**2) / (2.0 * SKID_FRICTION * Q::G) / Q::FT, 'ft') }
        end
      end
    end
  end
end
