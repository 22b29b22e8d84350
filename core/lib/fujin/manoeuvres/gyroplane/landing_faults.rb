# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Faults of a gyroplane's landing, held to the type's glide speed and round-out height.
      class LandingFaults
        include Grading::FaultFinding
        include Grading::ContactFaults

        # Speed either way by stage, kt, as the straight-in autorotation has it.
        SPEED_KT = { 'early' => 10.0, 'solo' => 7.0, 'test' => 5.0, 'instructor' => 4.0 }.freeze
        # Share of the type's round-out height either way.
        HEIGHT_SHARE = 0.5

        private

        def approach_kt = @context.type.glide_speed_kt.to_f
        def room_kt = SPEED_KT.fetch(@context.stage)
        def slow_glide = surely_under?('glide_ias_mean_kt', approach_kt - room_kt) ? speed('slow_glide') : nil
        def fast_glide = surely_over?('glide_ias_mean_kt', approach_kt + room_kt) ? speed('fast_glide') : nil

        def speed(id) =
          found(
            id,
            "mean of #{value('glide_ias_mean_kt').round} kt on the approach, #{approach_kt.round} kt wanted",
            ['glide_ias_mean_kt'],
            **phase_span('glide')
          )

        def round_out_ft = @context.type.flare_height_ft.to_f

        def early_flare =
          surely_over?('flare_height_ft', round_out_ft * (1.0 + HEIGHT_SHARE)) ? round_out('early_flare') : nil

        def late_flare =
          surely_under?('flare_height_ft', round_out_ft * (1.0 - HEIGHT_SHARE)) ? round_out('late_flare') : nil

        def round_out(id) =
          found(
            id,
            "round-out begun at #{value('flare_height_ft').round} ft, about #{round_out_ft.round} ft wanted",
            ['flare_height_ft'],
            **phase_span('flare')
          )
      end
    end
  end
end
