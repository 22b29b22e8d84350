# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module HoveringAutorotation
      # A throttle closed in a low hover: how long until contact and how hard, with the collective left alone and with
      # the best cushion found (one pull at the fastest rate, begun at the best moment). Flown by the model with the
      # wind on the nose: what it carries of the rotor's work is worth time.
      class CushionedFall
        # Rows are [t_s, height_m, sink_m_s, rotor_pct, collective_share].
        Fall = Value.define(:time_s, :sink_m_s, :rotor_pct, :pull_at_s, :rows)

        LONGEST_S = 8.0
        # The pull is a ramp to the top of the collective's travel at a rate in this range, degrees a second.
        RATES_DEG_S = [5.0, 9.0, 14.0].freeze

        # @param wind_kt [Float] through the rotor, whichever side it comes from
        def initialize(conditions, height_m: 4.0 * Quantities::FT, wind_kt: 0.0)
          @conditions = conditions
          @wind_kt = conditions.atmosphere.equivalent_speed(wind_kt)
          @wind_m_s = wind_kt * Quantities::KT
          @height_m = height_m
        end

        # The collective left where the hover had it, pedals holding the heading.
        # @return [Fall]
        def fixed_collective = @fixed_collective ||= fall(nil, 0.0)

        # @return [Fall] softest contact of a pull begun at a moment and drawn at a rate
        def best_cushion
          @best_cushion ||=
            begin
              latest = fixed_collective.time_s
              RATES_DEG_S
                .map do |rate|
                  at, = Roots.minimum(0.05, latest, tolerance: 0.02) { |t| fall(t, rate).sink_m_s }
                  fall(at, rate)
                end
                .min_by(&:sink_m_s)
            end
        end

        private

        # The fall with the collective left alone, step by step until contact: every pull begins from one of these.
        def held
          @held ||=
            begin
              model = Flight::Model.on(@conditions, wind: ->(_height, _time) { [-@wind_m_s, 0.0] })
              models = [model.start_in_hover(height_m: @height_m, wind_kt: @wind_kt).dup]
              pitch = model.disc_pitch
              until model.contact || model.time_s > LONGEST_S
                model.step(Flight::Controls.new(pitch, 0.0, models[0].collective, model.torque_share, 0.0, false))
                models << model.dup
              end
              models
            end
        end

        # One fall: the collective held until `pull_at`, then raised at `rate`.
        def fall(pull_at, rate_deg_s)
          until_pull = pull_at ? [(pull_at / Flight::Model::STEP_S).floor, held.size - 1].min : held.size - 1
          model = held[until_pull].dup
          rows = held[0..until_pull].map { |m| row(m) }
          hover = model.collective
          pitch = held.first.disc_pitch
          until model.contact || model.time_s > LONGEST_S
            raised = [(model.time_s - pull_at), 0.0].max * rate_deg_s * Quantities::DEG
            model.step(Flight::Controls.new(pitch, 0.0, hover + raised, model.torque_share, 0.0, false))
            rows << row(model)
          end
          model.check_energy
          contact = model.contact
          # A pull so early that the aircraft is still in the air counts as a drop from where the run ended.
          unless contact
            return (
              Fall.new(
                time_s: model.time_s,
                sink_m_s: Math.sqrt(2 * Quantities::G * model.position[2].abs),
                rotor_pct: model.rotor_pct,
                pull_at_s: pull_at,
                rows: rows
              )
            )
          end

          Fall.new(
            time_s: contact[:time_s],
            sink_m_s: contact[:sink_m_s],
            rotor_pct: contact[:rotor_pct],
            pull_at_s: pull_at,
            rows: rows.freeze
          )
        end

        def row(model) = [model.time_s, model.position[2], -model.velocity[2], model.rotor_pct, model.collective_share]
      end
    end
  end
end
