# frozen_string_literal: true

module Fujin
  module Planning
    # The school's choice among the accepted ways of teaching (JOB.md section 8), as settings with their reasons.
    class HouseMethod
      Setting = Value.define(:name, :default, :allowed, :unit, :question, :reasons)

      choice =
        ->(name, default, question, reasons) do
          Setting.new(
            name: name,
            default: default,
            allowed: reasons.keys,
            unit: nil,
            question: question,
            reasons: reasons
          )
        end
      number =
        ->(name, default, low, high, unit, question) do
          Setting.new(name: name, default: default, allowed: (low..high), unit: unit, question: question, reasons: {})
        end

      SETTINGS = [
        choice.call(
          'entry',
          'cruise',
          'Where a practice autorotation begins',
          'cruise' => 'A real failure is most likely in cruise, so the entry is learned from there.',
          'standard' => 'One height and one speed make attempts comparable and the entry calm.'
        ),
        choice.call(
          'glide_speed',
          'house',
          'Speed held in the glide',
          'house' => "The type's teaching speed: a little above minimum sink, with energy for the flare.",
          'minimum_sink' => 'The longest time in the air, and the least sink; less energy for the flare.',
          'fast' => 'Some knots more for a long flare; costs height.'
        ),
        choice.call(
          'flare_cue',
          'height',
          'What tells the flare',
          'height' => 'A height in feet can be measured and repeated.',
          'sight_picture' =>
            'The sight picture carries over to places with no height to read; ' \
            'the plan gives the seconds to the ground instead.'
        ),
        choice.call(
          'flare_shape',
          'firm',
          'Shape of the flare',
          'firm' => 'One firm flare at its height: easy to repeat, easy to measure.',
          'growing' => 'Gentle at first and growing: begun a fifth higher, kinder to late corrections.'
        ),
        choice.call(
          'throttle_by',
          'instructor',
          'Who moves the throttle in training',
          'instructor' => 'The instructor chooses the moment and guards the throttle.',
          'student' => 'The student learns the whole sequence by hand; joining takes longer, so the gate is higher.'
        ),
        choice.call(
          'throttle_position',
          'split',
          'Throttle in the glide',
          'split' => 'Needles split only: the engine stays near its speed and joins at once.',
          'idle' => 'Closed to idle: as a real failure feels; the engine has to spool, so the gate is higher.'
        ),
        choice.call(
          'ending',
          'power_recovery',
          'How the manoeuvre ends',
          'power_recovery' => 'Recovery to a hover spares the aircraft and the nerves.',
          'recovery_run' => 'Recovery with a ground run: no hover power asked for, the speed is kept.',
          'touchdown' => 'A full touchdown trains what a real failure needs.'
        ),
        choice.call(
          'turn_out',
          'training',
          'Out of the turn by',
          'training' => 'A training minimum leaves time to settle speed, rotor rpm and line.',
          'real' => 'Lower, when rehearsing the constraints of a real failure with an instructor who has done it.'
        ),
        choice.call(
          'hovering_ladder',
          'slow_first',
          'Hovering autorotation begins with',
          'slow_first' => 'Power taken off slowly first: the feel comes before the speed.',
          'sudden' => 'Sudden from the start: what a failure is.'
        ),
        choice.call(
          'steep_ending',
          'hover',
          'A steep approach ends',
          'hover' => 'In a hover: the power is proven before the ground is.',
          'surface' => 'On the surface: no hover in dust, snow or with little power.'
        ),
        choice.call(
          'sink_limit',
          'curve',
          'Sink allowed on approaches',
          'curve' => 'Thirty feet a minute for each knot, never under 300: allowed sink shrinks as the speed goes.',
          'flat' => 'A flat 300 ft/min below 30 kt: easy to remember, stricter.'
        ),
        choice.call(
          'hold_30_kt',
          'short',
          'About 30 kt on a steep approach',
          'short' => 'Held only to the last third: less time slow.',
          'long' => 'Held from the decision on: one speed, one picture, more time in the avoid area.'
        ),
        choice.call(
          'approach_speed',
          'progressive',
          'Speed on a normal approach',
          'progressive' => 'Decreasing all the way: the apparent closing rate stays the same.',
          'late' => 'Constant, then a late deceleration: less time slow, a stronger end.'
        ),
        choice.call(
          'vortex_escape',
          'forward',
          'Way out of vortex ring state',
          'forward' => 'Forward with cyclic: every aircraft has it, it costs more height.',
          'sideways' => 'Sideways with power and pedal: out of the column sooner, if it was practised.'
        ),
        choice.call(
          'collective_hand',
          'on',
          'Left hand in cruise',
          'on' => 'Always on the collective: the first movement starts at once.',
          'beside' => 'Beside it: hands free for work; reaching costs a part of a second.',
          'friction' => 'On friction: a free hand, and the most time to the first movement.'
        ),
        choice.call(
          'gyro_landings',
          'power_first',
          'First gyroplane landings',
          'power_first' => 'With power first: shallow and slow to happen.',
          'power_off_early' => 'Power-off early: the picture that an engine failure shows.'
        ),
        choice.call(
          'prerotation_at',
          'runway',
          'Prerotation',
          'runway' => 'On the runway: the rotor has what was built up when the roll begins.',
          'hold' => 'At the hold: the runway is free for others; the rotor slows while rolling on.'
        ),
        choice.call(
          'gyro_taxi',
          'stopped',
          'Taxi in a gyroplane with the rotor',
          'stopped' => 'Stopped: nothing to flap or strike.',
          'turning' => 'Turning slowly: kept alive for the take-off, stick into wind all the way.'
        ),
        choice.call(
          'power_check',
          'hover',
          'Power check before a site',
          'hover' => 'Hover power compared with what is there, before leaving.',
          'in_flight' => "A full check in flight at the site's height, in its air."
        ),
        choice.call(
          'outside_test',
          'enrichment',
          'Exercises outside the test',
          'before_solo' => 'Taught before solo: the skill belongs to flying, test or not.',
          'enrichment' => 'As enrichment once the test standard is there.',
          'not_at_all' => 'Not at all: time goes into what is tested.'
        ),
        number.call('gate_minimum_ft', 100, 50, 500, 'ft', 'Lowest gate height'),
        number.call('gate_reaction_s', 0.7, 0, 3, 's', "Pilot's reaction at the gate"),
        number.call('gate_throttle_s', 0.5, 0, 3, 's', 'Time to move the throttle at the gate'),
        number.call('reaction_s', 0.5, 0.1, 3, 's', 'Reaction to a power loss used for the predicted rotor rpm'),
        number.call('flare_pitch_max_deg', 18.5, 8, 30, 'deg', 'Pitch attitude at the top of the flare'),
        number.call('hover_height_ft', 4, 2, 10, 'ft', 'Height of the recovery hover'),
        number.call('setup_s', 12, 5, 60, 's', 'How long the set-up must be steady'),
        number.call('turn_out_training_ft', 200, 100, 600, 'ft', 'Training minimum to be out of the turn'),
        number.call('turn_out_real_ft', 100, 50, 400, 'ft', 'The same when rehearsing a real failure'),
        number.call('normal_angle_deg', 10, 8, 12, 'deg', 'Angle of a normal approach'),
        number.call('steep_angle_deg', 13.5, 12, 15, 'deg', 'Angle of a steep approach'),
        number.call('steepest_angle_deg', 15, 12, 20, 'deg', 'Steepest approach the house allows'),
        number.call('run_on_angle_deg', 4, 3, 5, 'deg', 'Angle of a run-on approach'),
        number.call('decision_speed_kt', 40, 25, 60, 'kt', 'Airspeed by which an approach is continued or left')
      ].freeze

      NAMES = SETTINGS.map(&:name).freeze

      attr_reader :values

      # @param changes [Hash{String => Object}] settings that differ from the default
      # @raise [UnknownName] for a name that is no setting, [InvalidInput] for a value out of range
      def initialize(changes = {})
        unknown = changes.keys - NAMES
        raise UnknownName, "no house setting #{unknown.join(', ')}: use #{NAMES.join(', ')}" unless unknown.empty?

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
        when 'fast' then type.glide_speed_kt + 7.0
        else type.glide_speed_kt.to_f
        end
      end

      # Speed at which the entry begins, kt.
      def entry_speed_kt(type)
        self['entry'] == 'cruise' ? type.fetch('speeds_kt.cruise').to_f : type.glide_speed_kt.to_f
      end

      # Seconds from a power loss to the collective moving: the reaction, and the way of the hand to the collective.
      def collective_reaction_s = self['reaction_s'] + HAND_S.fetch(self['collective_hand'])
      HAND_S = { 'on' => 0.0, 'beside' => 0.3, 'friction' => 0.6 }.freeze

      # Seconds from the decision at a gate to power being there: reaction, hand, and the engine's lag, or its spool
      # from idle.
      def gate_time_s(type)
        hand = self['throttle_by'] == 'student' ? 0.3 : 0.0
        spool = if self['throttle_position'] == 'idle'
                  type.turbine? ? 2.0 : 0.6
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

      # Sink allowed at an airspeed on an approach, ft/min.
      def sink_allowed_fpm(ias_kt)
        return 300.0 if self['sink_limit'] == 'flat' && ias_kt < 30.0

        [300.0, 30.0 * ias_kt].max
      end

      private

      def problem(setting, value)
        return nil if setting.allowed.include?(value)

        expected =
          (
            if setting.allowed.is_a?(Range)
              "a number from #{setting.allowed.begin} to #{setting.allowed.end}"
            else
              "one of #{setting.allowed.join(', ')}"
            end
          )
        { path: setting.name, message: "expected #{expected}, got #{value.inspect}" }
      rescue ArgumentError
        { path: setting.name, message: "got #{value.inspect}" }
      end
    end
  end
end
