# frozen_string_literal: true

module Fujin
  module Aircraft
    # The rules of a type file (docs/reference/file-formats.md): which fields, of which kind, in which range.
    # Unknown keys are kept and unused, so that a file may carry more.
    class Schema
      number = ->(low, high) { { kind: :number, low: low, high: high } }
      words = ->(*allowed) { { kind: :word, allowed: allowed } }
      pair = ->(low, high) { { kind: :pair, low: low, high: high } }

      COMMON = {
        'id' => { kind: :id }, 'name' => { kind: :text }, 'kind' => words.call('helicopter', 'gyroplane'),
        'rotor.rotation' => words.call('anticlockwise', 'clockwise'),
        'rotor.radius_m' => number.call(2, 12),
        'rotor.blades' => number.call(2, 8),
        'rotor.chord_m' => number.call(0.05, 1),
        'rotor.normal_speed_rad_s' => number.call(15, 80),
        'rotor.inertia_kg_m2' => number.call(10, 10_000),
        'rotor.lift_slope_per_rad' => number.call(4, 7),
        'rotor.cd0' => number.call(0.004, 0.03),
        'rotor.cd2' => number.call(0, 2),
        'rotor.induced_factor' => number.call(1, 1.6),
        'rotor.thrust_limit' => number.call(0.08, 0.3),
        'rotor.thrust_limit_mu_slope' => number.call(0, 2),
        'rotor.collective_min_deg' => number.call(-5, 12),
        'rotor.collective_max_deg' => number.call(-5, 30),
        'rotor.hub_height_m' => number.call(0.5, 6),
        'rotor.vortex_ring_thrust_loss' => number.call(0, 0.6),
        'airframe.drag_area_x_m2' => number.call(0.05, 5),
        'airframe.drag_area_y_m2' => number.call(0.1, 15),
        'airframe.drag_area_z_m2' => number.call(0.1, 15),
        'engine.kind' => words.call('piston_carburettor', 'piston_injected', 'turbine'),
        'engine.rated_kw' => number.call(20, 3000), 'engine.limit_kw' => number.call(20, 3000),
        'engine.efficiency' => number.call(0.5, 1), 'engine.accessory_kw' => number.call(0, 50),
        'engine.lag_s' => number.call(0.05, 5),
        'engine.power_instrument' => words.call('manifold_pressure_inhg', 'torque_pct'),
        'masses_kg.empty' => number.call(100, 5000), 'masses_kg.solo' => number.call(150, 6000),
        'masses_kg.dual' => number.call(150, 6000), 'masses_kg.max' => number.call(150, 6000),
        'rotor_rpm_pct.power_on' => pair.call(50, 150), 'rotor_rpm_pct.power_off' => pair.call(50, 160),
        'rotor_rpm_pct.low_warning' => number.call(40, 110), 'rotor_rpm_pct.absolute' => pair.call(30, 200),
        'speeds_kt.glide' => number.call(20, 130), 'speeds_kt.climb' => number.call(20, 130),
        'speeds_kt.cruise' => number.call(20, 200), 'speeds_kt.never_exceed' => number.call(30, 250),
        'training.flare_height_ft' => number.call(5, 200)
      }.freeze

      OPTIONAL = {
        'airframe.overall_length_m' => number.call(3, 40), 'airframe.slope_limit_deg' => number.call(0, 20),
        'cockpit.pilot_seat' => words.call('left', 'right'),
        'airframe.skid_track_m' => number.call(0.5, 6), 'airframe.cg_height_m' => number.call(0.3, 4),
        'engine.governor_from_pct' => number.call(50, 110),
        'speeds_kt.never_exceed_power_off' => number.call(30, 250),
        'speeds_kt.lowest_glide' => number.call(10, 100), 'speeds_kt.touchdown' => number.call(5, 80),
        'speeds_kt.translational_lift' => number.call(8, 40),
        'fuel.full_kg' => number.call(5, 1000), 'fuel.burn_kg_per_h' => number.call(3, 500),
        'height_velocity.low_speed_ft_kt' => { kind: :table }, 'height_velocity.high_speed_ft_kt' => { kind: :table }
      }.freeze

      # What a gyroplane's file has besides.
      GYROPLANE = {
        'propeller.static_thrust_n' => number.call(200, 20_000),
        'propeller.zero_thrust_speed_m_s' => number.call(20, 150),
        'prerotation.power_kw' => number.call(0.5, 60),
        'prerotation.minimum_pct' => number.call(5, 110),
        'flap_limit_deg' => number.call(3, 20)
      }.freeze

      # What must not be more than what; of a pair, `.low` and `.high` are its ends. A file without one of them says
      # nothing about it.
      ORDER = [
        %w[masses_kg.empty masses_kg.solo], %w[masses_kg.solo masses_kg.dual], %w[masses_kg.dual masses_kg.max],
        %w[rotor.collective_min_deg rotor.collective_max_deg], %w[engine.limit_kw engine.rated_kw],
        %w[speeds_kt.never_exceed_power_off speeds_kt.never_exceed], %w[speeds_kt.glide speeds_kt.never_exceed],
        %w[speeds_kt.climb speeds_kt.never_exceed], %w[speeds_kt.cruise speeds_kt.never_exceed],
        %w[speeds_kt.glide speeds_kt.never_exceed_power_off],
        %w[speeds_kt.lowest_glide speeds_kt.glide], %w[speeds_kt.touchdown speeds_kt.glide],
        %w[rotor_rpm_pct.absolute.low rotor_rpm_pct.power_off.low],
        %w[rotor_rpm_pct.absolute.low rotor_rpm_pct.power_on.low],
        %w[rotor_rpm_pct.absolute.low rotor_rpm_pct.low_warning],
        %w[rotor_rpm_pct.low_warning rotor_rpm_pct.power_on.high],
        %w[rotor_rpm_pct.power_off.high rotor_rpm_pct.absolute.high],
        %w[rotor_rpm_pct.power_on.high rotor_rpm_pct.absolute.high]
      ].freeze

      # Points that go up.
      RISING = %w[height_velocity.low_speed_ft_kt height_velocity.high_speed_ft_kt].freeze
      ENDS = { 'low' => 0, 'high' => 1 }.freeze
      private_constant :ENDS

      # @param data [Hash] the parsed file
      # @return [Array<Hash>] `{path:, message:}` for each problem; empty when the file is good
      def self.problems(data)
        unless data.is_a?(Hash)
          return [{ path: '(file)', message: 'expected a table of fields such as rotor: and engine:' }]
        end

        found =
          required_for(data['kind']).filter_map { |path, rule| problem(data, path, rule, required: true) } +
          OPTIONAL.filter_map { |path, rule| problem(data, path, rule, required: false) }
        found.empty? ? order_problems(data) + rising_problems(data) : found
      end

      def self.required_for(kind) = kind == 'gyroplane' ? COMMON.merge(GYROPLANE) : COMMON

      # Every field of a kind of aircraft with its rule, required ones first.
      def self.rules_for(kind) = required_for(kind).merge(OPTIONAL)

      def self.dig(data, path)
        path.split('.').reduce(data) do |node, key|
          case node
          when Hash then node[key]
          when Array then node[ENDS.fetch(key)]
          end
        end
      end

      def self.problem(data, path, rule, required:)
        value = dig(data, path)
        return (required ? { path: path, message: 'is missing' } : nil) if value.nil?

        expected = expectation(value, rule)
        expected && { path: path, message: Text.of('expected %{expected}, got %{value}',
                                                   expected: expected, value: value.inspect) }
      end
      private_class_method :problem

      # What was expected, or nil when the value is fine.
      def self.expectation(value, rule)
        case rule[:kind]
        when :number then unless within?(value, rule)
                            Text.of('a number from %{low} to %{high}', low: rule[:low], high: rule[:high])
                          end
        when :word then Text.of('one of %{rule}', rule: rule[:allowed].join(', ')) unless rule[:allowed].include?(value)
        when :id then 'lower-case letters, digits and hyphens' unless value.to_s.match?(/\A[a-z0-9-]{2,40}\z/)
        when :text then 'a short text' unless value.is_a?(String) && value.strip.length.between?(1, 60)
        when :pair then unless rising_pair?(value, rule)
                          Text.of('[lower, upper] from %{low} to %{high}', low: rule[:low], high: rule[:high])
                        end
        when :table then 'a list of [number, number]' unless table?(value)
        end
      end
      private_class_method :expectation

      def self.within?(value, rule)
        value.is_a?(Numeric) && value.to_f.finite? && value.between?(rule[:low], rule[:high])
      end

      private_class_method :within?

      def self.rising_pair?(value, rule)
        value.is_a?(Array) && value.size == 2 && value.all? { |v| within?(v, rule) } && value[0] < value[1]
      end

      def self.table?(value)
        value.is_a?(Array) && value.all? { |row| row.is_a?(Array) && row.size == 2 && row.all?(Numeric) }
      end
      private_class_method :rising_pair?, :table?

      def self.order_problems(data)
        ORDER.filter_map do |low, high|
          lower = dig(data, low)
          upper = dig(data, high)
          next if lower.nil? || upper.nil? || lower <= upper

          { path: high, message: Text.of('expected at least %{low} (%{lower}), got %{upper}',
                                         low: low, lower: lower, upper: upper) }
        end
      end

      def self.rising_problems(data)
        RISING.filter_map do |path|
          heights = (dig(data, path) || []).map(&:first)
          next if heights == heights.sort

          { path: path, message: Text.of('expected points from the lowest height up, got %{heights} ft',
                                         heights: heights.join(', ')) }
        end
      end
      private_class_method :order_problems, :rising_problems
    end
  end
end
