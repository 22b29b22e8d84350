# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # What a recording flown to a site shows of a survey's points: the measures that answer each.
      module SurveyEvidence
        SHOWN_BY = {
          'ground.size' => %w[ground_margin_ft],
          'obstructions.other' => %w[obstacle_clearance_ft],
          'lines.approach' => %w[approach_angle_deg],
          'lines.break_off' => %w[break_off_height_ft],
          'lines.end' => %w[ground_margin_ft hover_height_ft],
          'lines.manoeuvring' => %w[tail_clearance_ft],
          'lines.departure' => %w[departure_clearance_ft]
        }.freeze

        module_function

        # @param measures [Hash{String => Hash}] of an attempt, as it is kept: value, low, high, verdict, …
        # @return [Hash{String => Hash{String => Hash}}] measures by id, by the id of the point; what was not recorded
        #   is left out
        def of(measures)
          SHOWN_BY.transform_values { |ids| measures.slice(*ids).reject { |_, one| one['value'].nil? } }
            .reject { |_, found| found.empty? }
        end
      end
    end
  end
end
