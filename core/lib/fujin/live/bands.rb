# frozen_string_literal: true

module Fujin
  module Live
    # What the readings of a phase are held to: the rules of the exercise's standard at the student's stage, as far as a
    # measure says that it holds a reading (`live` in core/data/measures.yml); where none does, the aircraft's own
    # limits. A side is nil where it is free.
    class Bands
      # Slower than this the sink that the house allows counts, down to so low.
      SLOW_KT = Manoeuvres::Approach::Measures::SLOW_KT
      LOW_FT = 20.0

      # @param exercise [Lessons::Exercise] that is meant
      # @param watched [Watched, nil] the attempt that goes on
      def initialize(exercise, watched)
        @context = exercise.context
        @watched = watched
        @manoeuvre = watched&.manoeuvre
        @moving = []
        @held = watched ? held(watched.phase) : to_begin_with(exercise)
      end

      # @param values [Hash{String => Float}] of Instruments
      # @param driven [Boolean, nil] whether the engine drives the rotor, nil where nothing tells
      # @return [Hash{String => Array(Float, Float)}] by the same names
      def at(values, driven = nil)
        found = @moving.filter_map { |name, over, most| limit(over, values, most)&.then { |band| [name, band] } }.to_h
        found = @held.merge(found) { |_, one, other| both(one, other) }
        own(values, driven).merge(found)
      end

      private

      def type = @context.type

      # Every rule of the phase's measures that holds a reading; of several the narrowest.
      def held(phase)
        rules = @manoeuvre.measures.fetch(phase, []).filter_map do |id|
          live = Glossary.measure(id, @manoeuvre.id).live
          range = live.is_a?(Hash) ? range_of(id) : nil
          [live, range] if range
        end
        fixed, moving = rules.partition { |live, _| live['over'].nil? }
        @moving = moving.map { |live, range| [live['of'], live['over'], range.last] }
        fixed.filter_map { |live, range| placed(live, *range) }
          .reduce({}) { |all, (name, band)| all.merge(name => band) { |_, one, other| both(one, other) } }
      end

      # What is in at the student's stage, and no better than marginal is out.
      def range_of(id)
        band = @context.standard_of(@manoeuvre).band(id, @context.stage, @watched.targets, planned: @context.planned)
        band && both(band.in, band.worst_best || [nil, nil])
      rescue KeyError
        nil
      end

      # @return [Array(String, Array)] the reading and its band: around what a measure says how far off, on the only
      #   side that counts, an engine's percent as the gauge shows it, a glide's rotor within the type's own
      def placed(live, low, high)
        case live['of']
        when 'power_pct' then ['power', [low, high].map { |pct| pct && on_the_gauge(pct) }]
        when 'rotor_rpm_pct' then ['rotor_rpm_pct', @manoeuvre.power_off ? within_type(low, high) : [low, high]]
        else [live['of'],
              live['away_from'] ? around(@watched.targets.fetch(live['away_from']), high) : sided(live, low, high)]
        end
      rescue KeyError
        nil
      end

      def sided(live, low, high) = [(low unless live['side'] == 'high'), high]

      def on_the_gauge(pct)
        engine = Flight::Engine.new(type, @context.conditions.atmosphere)
        engine.instrument(pct / 100.0 * engine.limit_w, 1.0)
      end

      def within_type(low, high) = [low || type.power_off_band[0].to_f, high || type.power_off_band[1].to_f]

      def both(one, other) =
        [[one[0], other[0]].compact.max, [one[1], other[1]].compact.min]

      # Limits that move with another reading: with the airspeed the sink that is allowed, with the rotor the airspeed
      # of a gyroplane's roll, with the track the heading that the wind asks for.
      def limit(over, values, most)
        case over
        when 'sink_allowed' then sink_allowed(values, most)
        when 'rotor_advance' then rotor_advance(values, most)
        when 'wind_correction' then wind_correction(values, most)
        end
      end

      def sink_allowed(values, more)
        ias = values['ias_kt']
        ias && [nil, @context.house.sink_allowed_fpm(ias) + more]
      end

      # Airspeed over the speed of the blade tips, as Gyroplane::TakeOffMeasures takes it; level with the disc, which is
      # on the safe side.
      def rotor_advance(values, most)
        rotor = values['rotor_rpm_pct'] or return nil
        tip = type.fetch('rotor.normal_speed_rad_s') * rotor / 100.0 * type.fetch('rotor.radius_m')
        [nil, @context.conditions.atmosphere.equivalent_speed(most * tip) / Quantities::KT]
      end

      # Where the nose belongs on this track, while it is flown straight; counted on from where the heading is.
      def wind_correction(values, wide)
        heading, track, ias, bank = values.values_at('heading_deg', 'track_deg', 'ias_kt', 'bank_deg')
        return nil if [heading, track, ias, bank].any?(&:nil?) || bank > Grading::Turns::BANK_DEG

        airspeed = @context.conditions.atmosphere.true_speed(ias * Quantities::KT) / Quantities::KT
        drift = @context.conditions.wind.drift_angle_deg(track, airspeed) or return nil
        around(heading + Quantities.wrap_deg(track + drift - heading), wide)
      end

      # Before it begins, where it is graded how it was set up: the speed and height that it begins with, as steady as a
      # set-up is.
      def to_begin_with(exercise)
        setup = exercise.declaration.measures.key?('setup') ? exercise.plan&.setup : nil
        return {} unless setup&.speed_kt&.positive?

        { 'ias_kt' => around(setup.speed_kt, Grading::SetUp::SPEED_KT),
          'height_ft' => around(setup.height_ft, Grading::SetUp::HEIGHT_FT) }
      end

      def around(centre, wide) = [centre - wide, centre + wide]

      # The aircraft's own, in the air.
      def own(values, driven)
        height = values['height_ft']
        return {} unless height.nil? || height > Instruments::AIRBORNE_FT

        { 'rotor_rpm_pct' => rotor(driven), 'sink_fpm' => slow_sink(values) }.compact
      end

      # A helicopter's glide says phase by phase what it holds the rotor to, and its landing spends it; a gyroplane's
      # rotor is never driven in flight.
      def rotor(driven)
        return nil if type.helicopter? && @manoeuvre&.power_off

        (type.helicopter? && driven != false ? type.power_on_band : type.power_off_band).map(&:to_f)
      end

      def slow_sink(values)
        ias, height = values.values_at('ias_kt', 'height_ft')
        return nil if !type.helicopter? || @manoeuvre&.power_off || ias.nil? || height.nil?

        sink_allowed(values, 0.0) if ias < SLOW_KT && height > LOW_FT
      end
    end
  end
end
