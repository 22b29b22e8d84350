# frozen_string_literal: true

module Fujin
  module Planning
    # The school's choice among the accepted ways of teaching (JOB.md section 8), as settings with their reasons.
    # Only settings that change a plan or a grade today are here.
    class HouseMethod
      Setting = Value.define(:name, :default, :allowed, :unit, :question, :reasons)

      choice = lambda do |name, default, question, reasons|
        Setting.new(name: name, default: default, allowed: reasons.keys, unit: nil, question: question, reasons: reasons)
      end
      number = lambda do |name, default, low, high, unit, question|
        Setting.new(name: name, default: default, allowed: (low..high), unit: unit, question: question, reasons: {})
      end

      SETTINGS = [
        choice.call('entry', 'cruise', 'Where a practice autorotation begins',
                    'cruise' => 'A real failure is most likely in cruise, so the entry is learned from there.',
                    'standard' => 'One height and one speed make attempts comparable and the entry calm.'),
        choice.call('glide_speed', 'house', 'Speed held in the glide',
                    'house' => "The type's teaching speed: a little above minimum sink, with energy for the flare.",
                    'minimum_sink' => 'The longest time in the air, and the least sink; less energy for the flare.',
                    'fast' => 'Some knots more for a long flare; costs height.'),
        choice.call('ending', 'power_recovery', 'How the manoeuvre ends',
                    'power_recovery' => 'Recovery to a hover spares the aircraft and the nerves.',
                    'touchdown' => 'A full touchdown trains what a real failure needs.'),
        choice.call('flare_cue', 'height', 'What tells the flare',
                    'height' => 'A height in feet can be measured and repeated.',
                    'sight_picture' => 'The sight picture carries over to places with no height to read.'),
        choice.call('throttle_by', 'instructor', 'Who moves the throttle in training',
                    'instructor' => 'The instructor chooses the moment and guards the throttle.',
                    'student' => 'The student learns the whole sequence by hand.'),
        number.call('gate_minimum_ft', 100, 50, 500, 'ft', 'Lowest gate height'),
        number.call('gate_reaction_s', 0.7, 0, 3, 's', "Pilot's reaction at the gate"),
        number.call('gate_throttle_s', 0.5, 0, 3, 's', 'Time to move the throttle at the gate'),
        number.call('reaction_s', 0.5, 0.1, 3, 's', 'Reaction to a power loss used for the predicted rotor rpm'),
        number.call('flare_pitch_max_deg', 18.5, 8, 30, 'deg', 'Pitch attitude at the top of the flare'),
        number.call('hover_height_ft', 4, 2, 10, 'ft', 'Height of the recovery hover'),
        number.call('setup_s', 12, 5, 60, 's', 'How long the set-up must be steady')
      ].freeze

      NAMES = SETTINGS.map(&:name).freeze

      attr_reader :values

      # @param changes [Hash{String => Object}] settings that differ from the default
      # @raise [UnknownName] for a name that is no setting, [InvalidInput] for a value out of range
      def initialize(changes = {})
        unknown = changes.keys - NAMES
        raise UnknownName, "no house setting #{unknown.join(', ')}: use #{NAMES.join(', ')}" unless unknown.empty?

        problems = SETTINGS.filter_map { |setting| problem(setting, changes[setting.name]) if changes.key?(setting.name) }
        raise InvalidInput, problems unless problems.empty?

        @values = SETTINGS.to_h { |setting| [setting.name, changes.fetch(setting.name, setting.default)] }.freeze
        freeze
      end

      def [](name) = values.fetch(name)

      # Glide speed that this method flies, kt.
      def glide_speed_kt(type, trim)
        case self['glide_speed']
        when 'minimum_sink' then trim.minimum_sink.first
        when 'fast' then type.glide_speed_kt + 7.0
        else type.glide_speed_kt.to_f
        end
      end

      # Speed at which the entry begins, kt.
      def entry_speed_kt(type)
        self['entry'] == 'cruise' ? type.fetch('speeds_kt.cruise').to_f : type.glide_speed_kt.to_f
      end

      private

      def problem(setting, value)
        return nil if setting.allowed.include?(value)

        expected = setting.allowed.is_a?(Range) ? "a number from #{setting.allowed.begin} to #{setting.allowed.end}" : "one of #{setting.allowed.join(', ')}"
        { path: setting.name, message: "expected #{expected}, got #{value.inspect}" }
      rescue ArgumentError
        { path: setting.name, message: "got #{value.inspect}" }
      end
    end
  end
end
