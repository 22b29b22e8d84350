# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # The glide that a task holds when nothing changes any more, and how near a flown moment is to it.
      class SteadyGlide
        # How near speed (kt) and sink (share) are to the glide's when it is established, and when it has settled: then
        # rotor rpm (points) is too, for a rotor that is still being won back costs height yet.
        ESTABLISHED = { within_kt: 2.5, within_share: 0.1, within_pct: Float::INFINITY }.freeze
        SETTLED = { within_kt: 0.8, within_share: 0.05, within_pct: 0.7 }.freeze

        # @param task [PilotTask]
        def initialize(conditions, task)
          @conditions = conditions
          @task = task
        end

        def sink_m_s =
          @sink_m_s ||= @conditions.trim.autorotation_sink_m_s(@task.glide_speed_kt, rotor_pct: @task.target_rotor_pct)

        # @param row [#ias_kt, #sink_m_s, #rotor_pct] a flown moment
        def reached?(row, within_kt:, within_share:, within_pct:) =
          (row.ias_kt - @task.glide_speed_kt).abs < within_kt &&
            ((row.sink_m_s / sink_m_s) - 1.0).abs < within_share &&
            (row.rotor_pct - @task.target_rotor_pct).abs < within_pct
      end
    end
  end
end
