# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # Power seen on the gauge in a check before the site, against what the model needs for it there.
      module PowerCheck
        # What was flown: a hover at a height, or level at a speed at the site's height.
        HOW = %w[hover pass].freeze

        module_function

        # @param conditions [Planning::Conditions] of the check: load and air as they were
        # @param seen [Float] in the gauge's own unit
        # @param how ['hover', 'pass'], @param height_ft [Float] of the hover, @param ias_kt [Float] of the pass
        # @return [Float] seen over predicted
        # @raise [InvalidInput, OutsideModel]
        def k(conditions, seen:, how: 'hover', height_ft: 4.0, ias_kt: nil)
          InvalidInput.check_ranges('height_ft' => [height_ft, 1, 200], 'ias_kt' => [ias_kt || 50.0, 30, 100],
                                    'seen' => [seen, 5, 130])
          engine = Flight::Engine.new(conditions.type, conditions.atmosphere)
          engine.power_of(seen, 1.0) / predicted_w(conditions, how, height_ft, ias_kt)
        end

        # What the gauge should show for it.
        def predicted(conditions, how: 'hover', height_ft: 4.0, ias_kt: nil)
          engine = Flight::Engine.new(conditions.type, conditions.atmosphere)
          engine.instrument(predicted_w(conditions, how, height_ft, ias_kt), 1.0)
        end

        def predicted_w(conditions, how, height_ft, ias_kt)
          return conditions.trim.hover_power_w(height_m: height_ft * Quantities::FT) if how == 'hover'

          conditions.trim.level_power_w(ias_kt || conditions.type.fetch('speeds_kt.climb').to_f)
        end
        private_class_method :predicted_w
      end
    end
  end
end
