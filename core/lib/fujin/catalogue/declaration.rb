# frozen_string_literal: true

module Fujin
  module Catalogue
    # One manoeuvre, declared once.
    #
    # @!attribute kinds [Array<String>] of aircraft that fly it
    # @!attribute measures [Hash{String => Array<String>}] measure ids by phase
    # @!attribute faults [Array<Fault>] in causal order
    # @!attribute settings [Array<String>] of Planning::Settings that the planner takes
    # @!attribute house [Array<String>] choices of the house method that matter to it
    # @!attribute planner [Class] of Planning::ManoeuvrePlan
    # @!attribute spot_planner [Class, nil] the planner whose entry is asked whether it reaches the spot
    # @!attribute key_numbers [Array<String>] to fly by, the most important first
    # @!attribute power_off [Boolean] flown without power near the ground
    # @!attribute missed_gate [String, nil] what a gate missed means, where it is no ordinary go-around
    # @!attribute hovers ['none', 'ige', 'oge'] the hover it needs, for which `least_power_margin_pct` is the house's
    #   margin
    # @!attribute part_of_circuit ['take_off', 'landing', nil] the part of a circuit that it is
    # @!attribute left_out [Hash{String => Array<String>}] phases that an ending of the house method leaves out
    # @!attribute course_of ['final', 'take_off', 'hover', 'any'] what the course is of, so what a tailwind means; 'any'
    #   is flown on every heading, a tailwind being part of it
    # @!attribute outside_test [Boolean] taught beyond the test
    # @!attribute heat_prompt [String] when carburettor heat must be on
    # @!attribute angle_setting [String, nil] of the house method, that an approach is held to
    # @!attribute at_site [Boolean] leads to a surveyed site, which the exercise names: without one none is found
    # @!attribute standard [Grading::Standard] what each measure is held to, or why it is only shown
    # @!attribute longest_s [Float] so much of a flight its finder looks at for one of it, at most
    # @!attribute finder [Class, nil] new(signals, context, taken).find -> attempts
    # @!attribute measurer [Class, nil] new(signals, attempt, context, declaration).measures -> {id => Measure}
    # @!attribute fault_finder [Class, nil] new(measurer, measures).faults -> [FoundFault]
    # @!attribute pilot [#call, nil] (conditions, house:, course_deg:, height_ft:, settings:, faults:, …) -> a flight
    #   whose
    #   #run flies it with a simulated pilot
    # @!attribute knobs [Array<Grading::Knob>] of its faults that the pilot flies
    # @!attribute told [Array<String>] the measures that a change is told in
    # @!attribute flown_settings [#call] (signals, context, attempt, planned settings, course) -> settings as they were
    #   flown
    Declaration =
      Value.define(
        :id, :title, :family, :summary, :kinds, :endings, :phases, :measures, :faults, :checks, :settings, :house,
        :planner, :spot_planner, :key_numbers, :power_off, :missed_gate, :hovers, :least_power_margin_pct,
        :part_of_circuit, :left_out, :course_of, :outside_test, :heat_prompt, :angle_setting, :at_site,
        :longest_s, :standard, :finder, :measurer, :fault_finder, :pilot, :knobs, :told, :flown_settings,
        defaults: {
          kinds: %w[helicopter].freeze,
          endings: [].freeze,
          settings: [].freeze,
          house: [].freeze,
          spot_planner: nil,
          power_off: false,
          missed_gate: nil,
          hovers: 'ige',
          least_power_margin_pct: nil,
          part_of_circuit: nil,
          left_out: {}.freeze,
          course_of: 'final',
          outside_test: false,
          heat_prompt: 'heat on before power is reduced, as the flight manual says',
          angle_setting: nil,
          at_site: false,
          longest_s: 240.0,
          finder: nil,
          measurer: nil,
          fault_finder: nil,
          pilot: nil,
          knobs: [].freeze,
          told: [].freeze,
          flown_settings: ->(_signals, _context, _attempt, planned, _course) { planned }
        }
      ) do
        # @param conditions [Planning::Conditions], @param house [Planning::HouseMethod]
        # @return [Planning::Plan]
        # @raise [InvalidInput, OutsideModel, UnknownName]
        def plan(conditions, house, **options) = planner.new(conditions, house, **options).plan

        # Checks that can be made in this aircraft.
        def checks_for(type) = checks.reject { |check| check.match?(/carburettor/i) && !type.carburettor? }

        def fault(fault_id) = faults.find { |fault| fault.id == fault_id }
        def measure_ids = measures.values.flatten
        # Has it a rule in the standard, or is it only shown?
        def judges?(measure_id) = standard.rules.key?(measure_id)
        # Are attempts of it found in a recording?
        def recorded? = !finder.nil?
        def for?(type) = kinds.include?(type.kind)
        # Its phases when it ends the house's way.
        # @param ending [String] of the house method
        def phases_for(ending) = phases - left_out.fetch(ending, [])

        # A fault's title, cause and cue as this exercise in this aircraft has them, pedals and sides filled in.
        # @return [Fault, nil] nil for a fault that it does not declare
        def words(fault_id, type)
          told = fault(fault_id)&.told(id, type.kind) or return nil
          sides = { power_loss_pedal: type.power_loss_pedal, power_on_pedal: type.power_on_pedal }
          cue = Text.of(told.cue, **sides)
          told.with(cause: Text.of(told.cause, **sides), cue: cue[0].upcase + cue[1..])
        end
      end
  end
end
