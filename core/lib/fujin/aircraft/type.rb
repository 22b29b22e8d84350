# frozen_string_literal: true

require 'yaml'

module Fujin
  module Aircraft
    # An aircraft type: the numbers of its data file, validated and frozen.
    # Fields keep the file's names; lengths metres, masses kilograms, powers kilowatts.
    class Type
      # `key` stands for all of the data where results are kept.
      attr_reader :data, :key, :id, :name, :kind

      # @param data [Hash] parsed type file
      # @raise [InvalidInput] with every problem and its field path
      def initialize(data)
        problems = Schema.problems(data)
        raise InvalidInput, problems unless problems.empty?

        @data = deep_freeze(data)
        @key = Kept::Key.new(@data)
        @id = data['id']
        @name = data['name']
        @kind = data['kind']
        freeze
      end

      # @raise [InvalidInput] when the text is no YAML table or breaks a rule
      def self.parse(text)
        new(YAML.safe_load(text))
      rescue Psych::Exception => e
        raise InvalidInput, [{ path: '(file)', message: Text.of('is not readable as YAML: %{message}',
                                                                message: e.message) }]
      end

      def self.load_file(path) = parse(File.read(path, encoding: 'UTF-8'))

      # @param path [String] dotted path such as 'rotor.radius_m'
      def fetch(path)
        value = Schema.dig(data, path)
        raise OutsideModel, Text.of('the type file of %{name} has no %{path}', name: name, path: path) if value.nil?

        value
      end

      def optional(path, default = nil)
        value = Schema.dig(data, path)
        value.nil? ? default : value
      end

      def helicopter? = kind == 'helicopter'
      def clockwise? = fetch('rotor.rotation') == 'clockwise'

      # The pedal that lowering collective or losing the engine asks for.
      def power_loss_pedal = clockwise? ? 'left' : 'right'
      def power_on_pedal = clockwise? ? 'right' : 'left'

      def power_on_band = fetch('rotor_rpm_pct.power_on')
      def power_off_band = fetch('rotor_rpm_pct.power_off')
      def absolute_rotor_rpm = fetch('rotor_rpm_pct.absolute')
      def low_warning_pct = fetch('rotor_rpm_pct.low_warning')
      def glide_speed_kt = fetch('speeds_kt.glide')
      # Revolutions a minute of the rotor at 100 %.
      def normal_rotor_rpm = fetch('rotor.normal_speed_rad_s') / Quantities::RPM
      def flare_height_ft = fetch('training.flare_height_ft')
      def overall_length_m = optional('airframe.overall_length_m', 2.3 * fetch('rotor.radius_m'))

      # Across the skids, degrees: the file's, or what most stand on.
      def slope_limit_deg = optional('airframe.slope_limit_deg', USUAL_SLOPE_DEG).to_f
      USUAL_SLOPE_DEG = 5.0

      # What is left on a slope before the aircraft would roll about a skid, degrees: the static angle of tipping, half
      # the track over the height of the centre of gravity, less the slope and what is kept in hand for a disc that is
      # not level. Nil where the file has neither track nor height.
      def rollover_margin_deg(slope_deg)
        track = optional('airframe.skid_track_m')
        height = optional('airframe.cg_height_m')
        return nil unless track && height

        (Math.atan2(track / 2.0, height) / Quantities::DEG) - slope_deg - ROLLOVER_HAND_DEG
      end
      ROLLOVER_HAND_DEG = 5.0

      # Mass of the usual loads: 'solo' or 'dual', or the sum of people and fuel.
      def mass_kg(people) = fetch("masses_kg.#{people}")
      def loaded_mass_kg(people_kg:, fuel_kg:) = fetch('masses_kg.empty') + people_kg + fuel_kg

      # Burn while training, kg an hour; estimated from half the limit power where the file has none.
      def burn_kg_per_h
        optional('fuel.burn_kg_per_h') || (fetch('engine.limit_kw') * 0.6 * (turbine? ? 0.45 : 0.31)).round(1)
      end

      def turbine? = fetch('engine.kind') == 'turbine'
      def carburettor? = fetch('engine.kind') == 'piston_carburettor'

      private

      def deep_freeze(node)
        case node
        when Hash then node.each_value { |v| deep_freeze(v) }.freeze
        when Array then node.each { |v| deep_freeze(v) }.freeze
        else node.freeze
        end
      end
    end
  end
end
