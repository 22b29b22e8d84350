# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Gyroplane
      # Faults of a gyroplane's landing, held to the type's glide speed and round-out height.
      class LandingFaults
        include Grading::FaultFinding
        include Grading::ContactFaults

        private

        def slow_glide = bad_low?('glide_ias_mean_kt') ? speed('slow_glide') : nil
        def fast_glide = bad_high?('glide_ias_mean_kt') ? speed('fast_glide') : nil

        def speed(id) =
          found(
            id,
            Text.of('mean of %{glide_ias_mean_kt} kt on the approach, %{target} kt wanted',
                    glide_ias_mean_kt: value('glide_ias_mean_kt').round,
                    target: measure('glide_ias_mean_kt').band.target.round),
            ['glide_ias_mean_kt'],
            **phase_span('glide')
          )

        def early_flare = bad_high?('flare_height_ft') ? round_out('early_flare') : nil
        def late_flare = bad_low?('flare_height_ft') ? round_out('late_flare') : nil

        def round_out(id) =
          found(
            id,
            Text.of('round-out begun at %{flare_height_ft} ft, about %{target} ft wanted',
                    flare_height_ft: value('flare_height_ft').round,
                    target: measure('flare_height_ft').band.target.round),
            ['flare_height_ft'],
            **phase_span('flare')
          )
      end
    end
  end
end
