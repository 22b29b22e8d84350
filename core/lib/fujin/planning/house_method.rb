# frozen_string_literal: true

require 'yaml'

module Fujin
  module Planning
    # The school's choice among the accepted ways of teaching, as settings with their reasons
    # (docs/reference/house-method.md).
    class HouseMethod
      FILE = File.expand_path('../../../data/house_method.yml', __dir__)

      # `allowed` is a range, or the choices, whose `reasons` are by choice.
      Setting = Value.define(:name, :default, :allowed, :unit, :question, :short, :reasons)

      SETTINGS = YAML.safe_load_file(FILE).map do |name, fields|
        reasons = fields.fetch('choices', {})
        Setting.new(name: name, default: fields.fetch('default'), unit: fields['unit'],
                    question: fields.fetch('question'),
                    short: fields.fetch('short'), reasons: reasons,
                    allowed: reasons.empty? ? fields.fetch('low')..fields.fetch('high') : reasons.keys)
      end.freeze

      NAMES = SETTINGS.map(&:name).freeze

      attr_reader :values

      # @param changes [Hash{String => Object}] settings that differ from the default
      # @raise [UnknownName] for a name that is no setting, [InvalidInput] for a value out of range
      def initialize(changes = {})
        unknown = changes.keys - NAMES
        unless unknown.empty?
          raise UnknownName, Text.of('no house setting %{unknown}: use %{names}',
                                     unknown: unknown.join(', '), names: NAMES.join(', '))
        end

        problems =
          SETTINGS.filter_map { |setting| problem(setting, changes[setting.name]) if changes.key?(setting.name) }
        raise InvalidInput, problems unless problems.empty?

        @values = SETTINGS.to_h { |setting| [setting.name, changes.fetch(setting.name, setting.default)] }.freeze
        freeze
      end

      def [](name) = values.fetch(name)

      # Glide speed that this method flies, kt.
      def glide_speed_kt(type, trim)
        case self['glide_speed']
        when 'minimum_sink' then trim.minimum_sink.first
        when 'fast' then type.glide_speed_kt + self['glide_fast_by_kt'].to_f
        else type.glide_speed_kt.to_f
        end
      end

      # Speed at which the entry begins, kt.
      def entry_speed_kt(type)
        self['entry'] == 'cruise' ? type.fetch('speeds_kt.cruise').to_f : type.glide_speed_kt.to_f
      end

      # What is left of an approach's ground speed where so much of its way is still to go. 'progressive': constant
      # apparent closing, slowing evenly over the ground all the way. 'late': held to the last third.
      # @param to_go [Float] of the way, 0 to 1
      def approach_speed_share(to_go)
        return Math.sqrt(to_go) if self['approach_speed'] == 'progressive'

        to_go > 0.33 ? 1.0 : Math.sqrt(to_go / 0.33)
      end

      # Seconds from a power loss to the collective moving: the reaction, and the way of the hand to the collective.
      def collective_reaction_s = self['reaction_s'] + HAND_S.fetch(self['collective_hand'])
      HAND_S = { 'on' => 0.0, 'beside' => 0.3, 'friction' => 0.6 }.freeze

      # A student's hand takes longer at the throttle.
      STUDENT_S = 0.3

      # Seconds from the decision at a gate to power being there: reaction, hand, and the engine's lag, or its spool
      # from idle.
      def gate_time_s(type)
        hand = self['throttle_by'] == 'student' ? STUDENT_S : 0.0
        spool =
          if self['throttle_position'] == 'idle'
            Flight::Engine::SPOOL_S.fetch(type.turbine? ? :turbine : :piston)
          else
            0.0
          end
        self['gate_reaction_s'] + self['gate_throttle_s'] + hand + spool + type.fetch('engine.lag_s')
      end

      # What the hands do at the end: a recovery with a ground run is flown as a recovery.
      def flown_ending = self['ending'] == 'touchdown' ? :touchdown : :power_recovery

      # A growing flare begins higher.
      def flare_height_ft(type) = type.flare_height_ft * (self['flare_shape'] == 'growing' ? 1.2 : 1.0)

      def turn_out_ft = (self['turn_out'] == 'training' ? self['turn_out_training_ft'] : self['turn_out_real_ft']).to_f

      # Seconds from power loss to the turn of a turning autorotation.
      def turn_after_s = self['turn_entry'] == 'with_entry' ? TURN_WITH_ENTRY_S : self['turn_established_s'].to_f
      # Collective and pedal first, bank by the third second.
      TURN_WITH_ENTRY_S = 2.0

      # Sink allowed at an airspeed on an approach, ft/min.
      def sink_allowed_fpm(ias_kt)
        return 300.0 if self['sink_limit'] == 'flat' && ias_kt < 30.0

        [300.0, 30.0 * ias_kt].max
      end

      private

      def problem(setting, value)
        return nil if setting.allowed.include?(value)

        expected =
          if setting.allowed.is_a?(Range)
            Text.of('a number from %{low} to %{high}', low: setting.allowed.begin, high: setting.allowed.end)
          else
            Text.of('one of %{allowed}', allowed: setting.allowed.join(', '))
          end
        { path: setting.name, message: Text.of('expected %{expected}, got %{value}',
                                               expected: expected, value: value.inspect) }
      rescue ArgumentError
        { path: setting.name, message: Text.of('got %{value}', value: value.inspect) }
      end
    end
  end
end
