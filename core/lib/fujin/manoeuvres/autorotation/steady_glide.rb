# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # The glide that a task holds when nothing changes any more, and how near a flown moment is to it.
      class SteadyGlide
        # How near speed (kt) and sink (share) are to the glide's when it is established, and when it has settled.
        ESTABLISHED = { within_kt: 2.5, within_share: 0.1 }.freeze
        SETTLED = { within_kt: 0.8, within_share: 0.05 }.freeze

        # @param task [PilotTask]
        def initialize(conditions, task)
          @conditions = conditions
          @task = task
        end

        def sink_m_s =
          @sink_m_s ||= @conditions.trim.autorotation_sink_m_s(@task.glide_speed_kt, rotor_pct: @task.target_rotor_pct)

        # @param row [#ias_kt, #sink_m_s] a flown moment
        def reached?(row, within_kt:, within_share:) =
          (row.ias_kt - @task.glide_speed_kt).abs < within_kt && ((row.sink_m_s / sink_m_s) - 1.0).abs < within_share
      end
    end
  end
end
