# frozen_string_literal: true

require 'yaml'

module Fujin
  # The catalogue. Each manoeuvre is declared once, in a file named after its id, and registers itself;
  # planner, finder, grader, cockpit sheet and catalogue page all read that one declaration.
  module Manoeuvres
    # A named departure: what shows it, why it happens, what to say.
    # Texts may hold %{power_loss_pedal}, %{power_on_pedal}, which the rotor direction fills in.
    Fault = Value.define(:id, :title, :cause, :cue)

    FAULTS_FILE = File.expand_path('../../data/faults.yml', __dir__)
    FAULTS = YAML.safe_load_file(FAULTS_FILE).to_h do |id, texts|
      [id, Fault.new(id: id, title: texts.fetch('title'), cause: texts.fetch('cause'), cue: texts.fetch('cue'))]
    end.freeze

    # What every aircraft's checks have in common.
    CHECKS = ['Area clear, lookout complete', 'Wind looked at again', 'Carburettor heat as the flight manual says', 'Warning lights checked'].freeze

    # @!attribute kinds [Array<String>] of aircraft that fly it
    # @!attribute measures [Hash{String => Array<String>}] measure ids by phase
    # @!attribute faults [Array<Fault>] in causal order
    # @!attribute settings [Array<String>] of Planning::Settings that the planner takes
    # @!attribute house [Array<String>] choices of the house method that matter to it
    # @!attribute spot_planner [Class, nil] Planning::AutorotationPlan whose entry is asked whether it reaches the spot (Planning::Dispersion)
    # @!attribute planner [#call] (conditions, house, options) -> Planning::Plan
    # @!attribute key_numbers [Array<String>] to fly by, the most important first
    # @!attribute power_off [Boolean] flown without power near the ground
    # @!attribute gated [Boolean] has a gate that leads to a go-around when missed
    # @!attribute hovers ['none', 'ige', 'oge'] the hover it needs, for which `least_power_margin_pct` is the house's margin
    # @!attribute any_course [Boolean] flown on every heading, so that a tailwind is part of it
    # @!attribute outside_test [Boolean] taught beyond the test
    # @!attribute heat_prompt [String] when carburettor heat must be on
    # @!attribute angle_setting [String, nil] of the house method, that an approach is held to
    # @!attribute finder [Class, nil] new(signals, context).find -> attempts
    # @!attribute measurer [Class, nil] new(signals, attempt, context).measures -> {id => Measure}
    # @!attribute pilot [#call, nil] (conditions, house:, course_deg:, height_ft:, settings:, faults:, …) -> a flight whose #run flies it with a simulated pilot
    # @!attribute knobs [Array<Grading::Knob>] of its faults that the pilot flies, `told` the measures that a change is told in
    # @!attribute fault_finder [Class, nil] new(measurement).faults -> [FoundFault]
    Declaration = Value.define(:id, :title, :family, :summary, :kinds, :endings, :phases, :measures, :faults, :checks, :settings, :house, :spot_planner, :planner,
                               :key_numbers, :power_off, :gated, :hovers,
                               :least_power_margin_pct, :any_course, :outside_test, :heat_prompt, :angle_setting, :finder, :measurer, :fault_finder, :pilot, :knobs, :told,
                               defaults: { kinds: %w[helicopter].freeze, endings: [].freeze, settings: [].freeze, house: [].freeze, spot_planner: nil,
                                           power_off: false, gated: true, hovers: 'ige',
                                           least_power_margin_pct: nil, any_course: false, outside_test: false, heat_prompt: 'heat on before power is reduced',
                                           angle_setting: nil, finder: nil, measurer: nil, fault_finder: nil, pilot: nil, knobs: [].freeze, told: [].freeze, checks: CHECKS }) do
      # @return [Grading::Standard, nil] nil until the school has set one
      def standard = Grading::Standard.load(id)
      # What the distance from the spot is judged by: the straight-in's until this one has its own.
      # @return [Grading::Standard]
      def spot_standard = standard || Manoeuvres.find('straight_in_autorotation').standard
      def fault(fault_id) = faults.find { |fault| fault.id == fault_id }
      def measure_ids = measures.values.flatten
      # Are attempts of it found in a recording?
      def recorded? = !finder.nil?
      def for?(type) = kinds.include?(type.kind)

      # Cue or cause of a fault with pedals and sides as this aircraft has them.
      def text_for(text, type)
        format(text, power_loss_pedal: type.power_loss_pedal, power_on_pedal: type.power_on_pedal)
      end
    end

    @registry = {}

    class << self
      def register(declaration)
        raise ArgumentError, "#{declaration.id} is registered twice" if @registry.key?(declaration.id)

        @registry[declaration.id] = declaration
      end

      # @param ids [Array<String>] in causal order
      def faults(*ids) = ids.map { |id| FAULTS.fetch(id) }.freeze

      # @raise [UnknownName]
      def find(id)
        @registry.fetch(id) { raise UnknownName, "no manoeuvre #{id.inspect}: use #{@registry.keys.join(', ')}" }
      end

      def all = @registry.values
      def recorded = all.select(&:recorded?)
    end
  end
end
