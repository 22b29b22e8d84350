# frozen_string_literal: true

require_relative 'sources'

class Mutate
  Mutant = Struct.new(:file, :line, :offset, :bytes, :was, :becomes, keyword_init: true) do
    def to_s = "#{file}:#{line} `#{was}` to `#{becomes}`"
  end

  # What can be changed in a file: comparisons, signs and constants, one at a time.
  module Changes
    # What is smaller is no rule, but keeps a computer's last digits from deciding.
    HAIR = 1e-5
    SWAPPED = { :< => '<=', :<= => '<', :> => '>=', :>= => '>', :== => '!=', :!= => '==', :+ => '-', :- => '+',
                :* => '/', :/ => '*' }.freeze
    OPPOSITE = { :< => '>=', :> => '<=', :<= => '>', :>= => '<' }.freeze
    COUNTS = %i[size length count].freeze
    TURN = %w[360.0 360].freeze
    HALF = %w[180.0 180].freeze

    module_function

    # @return [Array<Mutant>]
    def of(file)
      nodes = Sources.nodes(file)
      calls = nodes.grep(Prism::CallNode)
      rooms = calls.select { |node| kept?(node) }.flat_map { |node| node.arguments.arguments }
      halves = calls.filter_map { |node| half_turn(node) }
      nodes.flat_map do |node|
        case node
        when Prism::CallNode then halves.include?(node) ? [] : operators(file, node)
        when Prism::FloatNode, Prism::IntegerNode then rooms.include?(node) ? [] : numbers(file, node)
        else []
        end
      end
    end

    # How much is kept of what was worked out: another room gives the same answers.
    def kept?(node) = node.name == :new && node.receiver&.slice == 'Kept' && node.arguments

    # Half a turn more or less, modulo a turn, is the same direction: `(course + 180.0) % 360.0`.
    # @return [Prism::CallNode, nil] the sum within
    def half_turn(node)
      return nil unless node.name == :% && TURN.include?(beside(node))

      sum = node.receiver
      sum = sum.body.body.first if sum.is_a?(Prism::ParenthesesNode)
      sum if sum.is_a?(Prism::CallNode) && HALF.include?(beside(sum))
    end

    # What stands to the right of an operator, as it is written.
    def beside(node) = node.arguments && node.arguments.arguments.first.slice

    def operators(file, node)
      return [] unless node.arguments&.arguments&.size == 1 && node.receiver && node.message_loc
      return [] if node.receiver.is_a?(Prism::StringNode) || node.receiver.is_a?(Prism::ArrayNode)

      others = [OPPOSITE[node.name], (SWAPPED[node.name] if !OPPOSITE.key?(node.name) || counted?(node))]
      others.compact.map { |other| mutant(file, node.message_loc, other) }
    end

    def counted?(node)
      [node.receiver, node.arguments.arguments.first].any? do |side|
        side.is_a?(Prism::IntegerNode) || (side.is_a?(Prism::CallNode) && COUNTS.include?(side.name))
      end
    end

    # A quarter more: within what a rule's author would call another rule.
    def numbers(file, node)
      return [] if node.value.abs < HAIR || (node.is_a?(Prism::IntegerNode) && node.value.abs < 3)

      changed = node.is_a?(Prism::FloatNode) ? (node.value * 1.25).round(6).to_s : (node.value * 1.25).ceil.to_s
      [mutant(file, node.location, changed)]
    end

    def mutant(file, location, becomes)
      Mutant.new(file: file, line: location.start_line, offset: location.start_offset, bytes: location.length,
                 was: location.slice, becomes: becomes)
    end
  end
end
