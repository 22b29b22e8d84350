# frozen_string_literal: true

module Fujin
  # The catalogue. Each manoeuvre is declared once, in a file named after its id, and registers itself;
  # planner, finder, grader, cockpit sheet and catalogue page all read that one declaration.
  module Manoeuvres
    # A named departure: what shows it, why it happens, what to say.
    # Texts may hold %{power_loss_pedal}, %{power_on_pedal}, which the rotor direction fills in.
    Fault = Value.define(:id, :title, :cause, :cue)

    # @!attribute measures [Hash{String => Array<String>}] measure ids by phase
    # @!attribute faults [Array<Fault>] in causal order
    # @!attribute planner [#call] (conditions, house, options) -> Planning::Plan
    # @!attribute finder [Class] new(signals, context).find -> attempts
    # @!attribute measurer [Class] new(signals, attempt, context).measures -> {id => Measure}
    # @!attribute fault_finder [Class] new(measurement).faults -> [FoundFault]
    Declaration = Value.define(:id, :title, :family, :summary, :endings, :phases, :measures, :faults, :checks, :planner,
                               :finder, :measurer, :fault_finder) do
      def standard = Grading::Standard.load(id)
      def fault(fault_id) = faults.find { |fault| fault.id == fault_id }
      def measure_ids = measures.values.flatten

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

      # @raise [UnknownName]
      def find(id)
        @registry.fetch(id) { raise UnknownName, "no manoeuvre #{id.inspect}: use #{@registry.keys.join(', ')}" }
      end

      def all = @registry.values
    end
  end
end
