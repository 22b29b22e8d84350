# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # A site on one day in one aircraft: air, load, wind, what the power check there has shown, when.
      class Day
        Q = Quantities
        # Seen over predicted, outside this the check is not believed.
        CHECK = (0.85..1.15)
        IGE_FT = 4.0

        # `nominal` are the conditions as the type file has them, `conditions` with what the power check has shown.
        attr_reader :site, :conditions, :nominal, :house, :wind, :stage, :at, :k, :clearances, :lee, :light

        # The day at a site: the air is the site's own, its elevation is in its file.
        # @return [Day]
        def self.of(site, type, house, wind:, people: 'dual', mass_kg: nil, oat_c: nil, qnh_hpa: 1013.25, **rest)
          conditions = Planning::Conditions.build(
            type: type, people: people, mass_kg: mass_kg, wind: wind || Wind.calm, elevation_ft: site.elevation_ft,
            oat_c: oat_c, qnh_hpa: qnh_hpa
          )
          new(site, conditions, house, wind: wind, **rest)
        end

        # @param conditions [Planning::Conditions] at the site's elevation; its wind is calm where none is given
        # @param wind [Wind, nil] nil where none is given, which is not calm
        # @param k [Float] power seen over power predicted in the check flown there
        # @param at [Time, nil]
        # @raise [InvalidInput] for a power check that cannot be believed, [OutsideModel] for a gyroplane
        def initialize(site, conditions, house, wind:, stage: 'solo', at: nil, k: 1.0)
          unless conditions.type.helicopter?
            raise OutsideModel, Text.of('%{type} is a gyroplane: sites are worked out for helicopters',
                                        type: conditions.type.name)
          end
          unless CHECK.cover?(k)
            raise InvalidInput, [{ path: 'power_check', message: Text.of('%{k} of what was predicted was seen; ' \
              'between 0.85 and 1.15 is believed: look at ' \
              'gauge and load',
                                                                         k: k.round(2)) }]
          end

          @site = site
          @house = house
          @wind = wind
          @stage = stage
          @at = at
          @k = k
          @nominal = conditions
          @conditions = conditions.with(type: derated(conditions.type, k))
          @clearances = Sites::Clearances.of(@conditions.type, house)
          @lee = Sites::Lee.new(site.obstacles, wind)
          @light = Sites::Light.new(site, at)
        end

        def type = conditions.type
        def trim = conditions.trim
        def performance = @performance ||= Planning::Performance.of(conditions)
        def engine_failure = @engine_failure ||= EngineFailure.new(self)
        def avoid = @avoid ||= Planning::HeightVelocity.new(type)
        def stage_limits = Planning::Cautions::STAGE_LIMITS.fetch(stage)
        def headwind_kt(course_deg) = wind&.headwind_kt(course_deg)
        def crosswind_kt(course_deg) = wind&.crosswind_kt(course_deg)

        # Share of power left out of ground effect, and in it; nil where the model cannot say.
        def margin_pct = @margin_pct ||= margin(nil)
        def margin_ige_pct = @margin_ige_pct ||= margin(IGE_FT * Q::FT)

        # What was worked out for this day, ground and obstacles before; lines, spots and survey are named in `of`,
        # so that a line which is moved leaves the others standing.
        # @param of [Array] what else the work rests on
        def kept(*of, &) = KEPT.fetch([key, *of], &)
        KEPT = Kept.new(256)
        private_constant :KEPT

        def skids_m(spot) = spot.termination == 'surface' ? 0.0 : house['hover_height_ft'] * Q::FT

        # The headwind met along a line: none from ahead low in a lee. Looked up by stretches, for a flight asks often.
        # @yield [along_m] the place there and its course
        # @param ground_m [Float] the height above the datum that flown heights are counted from
        # @return [#call] along m, height m -> kt
        def headwind_along(ground_m)
          found = Hash.new do |all, cell|
            place, course = yield(cell * STRETCH_M)
            all[cell] = [headwind_kt(course), lee.up_to_m(place)]
          end
          ->(along_m, height_m) do
            kt, up_to_m = found[(along_m / STRETCH_M).round]
            kt.positive? && up_to_m && height_m + ground_m <= up_to_m ? 0.0 : kt
          end
        end
        STRETCH_M = 4.0

        # Places along a line at which the air and the ground are looked at.
        LOOKS = 10

        # @return [Sites::Lee::Region, nil] the first turbulence that a line runs through, near the ground
        def lee_on(line) = places_on(line).lazy.filter_map { |at| lee.at(at, site.ground_m(at)) }.first
        def lee_noted_on(line) = places_on(line).lazy.filter_map { |at| lee.noted_at(at, site.ground_m(at)) }.first

        # Airspeed of the steepest climb over the ground, kt: between the knee of the height-velocity area and climb
        # speed.
        def steepest_climb_kt(headwind_kt)
          knee = avoid.low_speed.map { |_, kt| kt.to_f }.max || performance.translational_lift_kt
          fastest = type.fetch('speeds_kt.climb').to_f
          speeds = [knee, fastest].min.step(fastest, 1.0).to_a
          speeds.max_by do |kt|
            over_ground = (conditions.atmosphere.true_speed(kt) - headwind_kt) * Q::KT
            Math.atan2(performance.climb_m_s(kt), [over_ground, 0.1].max)
          end
        end

        private

        def key
          @key ||= Kept::Key.new(site.rings, site.obstacles, site.landables, site.slope_deg, site.falls_toward_deg,
                                 site.surroundings_ft, site.relief&.terrain, site.map.lat_deg, site.map.lon_deg,
                                 *conditions.load_key, conditions.elevation_ft, nominal.type.key,
                                 house.values, wind&.to_a, stage, at, k)
        end

        def places_on(line) = line.legs.flat_map { |a, b| (0..LOOKS).map { |i| a + ((b - a) * i / LOOKS.to_f) } }

        # Every power needed times k is every power there is divided by it.
        def derated(type, k)
          return type if (k - 1.0).abs < 1e-9

          engine = type.data['engine']
          less = engine.merge('rated_kw' => engine['rated_kw'] / k, 'limit_kw' => engine['limit_kw'] / k)
          Aircraft::Type.new(type.data.merge('engine' => less))
        end

        def margin(height_m)
          needed = trim.hover_power_w(height_m: height_m)
          100.0 * (trim.power_available_w - needed) / needed
        rescue OutsideModel
          nil
        end
      end
    end
  end
end
