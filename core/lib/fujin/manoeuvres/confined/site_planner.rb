# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # Plans an approach to a site: the normal one up to the house's normal angle, the steep one above it. Angle,
      # course and the height to break off come from the site's report, where the lesson has one.
      class SitePlanner
        # What either kind has besides.
        module OnSite
          LAST = 'from lower a go-around is not sure to clear what is ahead: continue or go around, said aloud'

          private

          def own_numbers
            found = super
            feet = @settings['break_off_ft']&.to_f || found['decision_height_ft'].value
            found.merge('break_off_height_ft' => number(feet, 'ft'),
                        'rotor_room_ft' => number(Sites::Clearances.of(@type, @house).main_m / Quantities::FT, 'ft'))
          end

          # At the gate that the site asks for; the plan's own where there is none.
          def gates
            feet = @settings['break_off_ft'] or return super
            at = at_height(feet.to_f)
            allowed = @house.sink_allowed_fpm(at.ias_kt)
            sink = { target: [at.sink_fpm, allowed].min, low: 0.0, high: allowed, unit: 'fpm' }
            [Planning::Gate.new(id: 'decision', height_ft: at.height_ft, along_ft: at.along_ft, text: LAST,
                                measures: { 'ias_kt' => within(at.ias_kt, 6, 'kt'), 'sink_fpm' => sink })]
          end

          def own_cautions
            said = @settings['break_off_ft'] ? [] : [no_site]
            [*said, tail, *super]
          end

          def no_site =
            caution('no_site', 'caution', 'No surveyed site is chosen: angle and break-off height are the house\'s ' \
              'usual ' \
              'ones and know of no wire.')

          def tail =
            caution('tail', 'caution', 'Where the tail may go is settled before the descent; the tail is not turned ' \
              'over what ' \
              'was not looked at.')
        end

        # @param id [String] of the declaration
        def initialize(id)
          @id = id
        end

        # @return [Planning::ManoeuvrePlan]
        def new(conditions, house, settings: {}, **rest)
          angle = Float(settings['approach_angle_deg'] || house['steep_angle_deg'], exception: false)
          kind = angle && angle <= house['normal_angle_deg'] ? normal : steep
          kind.new(conditions, house, settings: settings, **rest)
        end

        private

        def normal = @normal ||= on_site(Approach::NormalApproachPlan)
        def steep = @steep ||= on_site(Approach::SteepApproachPlan)

        def on_site(plan)
          id = @id
          Class.new(plan) do
            include OnSite

            define_singleton_method(:declaration) { Catalogue.find(id) }
          end
        end
      end
    end
  end
end
