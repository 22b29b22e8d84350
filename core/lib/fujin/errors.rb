# frozen_string_literal: true

module Fujin
  # Every error the core raises on purpose. The message is written for the person
  # who reads it: what was expected, what was found, what to do.
  class Error < StandardError; end

  # Input that breaks a rule. Carries every problem at once, each with the path of its field.
  class InvalidInput < Error
    # @return [Array<Hash>] `{path:, message:}` for each problem
    attr_reader :problems

    def initialize(problems)
      @problems = problems.map(&:freeze).freeze
      super(problems.map { |p| "#{p[:path]}: #{p[:message]}" }.join('; '))
    end

    # @param ranges [Hash{String => Array(Object, Numeric, Numeric)}] value, lowest and highest by path
    # @raise [InvalidInput] naming every value that is no number in its range
    def self.check_ranges(ranges)
      problems = ranges.filter_map do |path, (value, low, high)|
        next if value.is_a?(Numeric) && value.to_f.finite? && value.between?(low, high)

        { path: path, message: Text.of('expected a number from %{low} to %{high}, got %{value}',
                                       low: told(low, :ceil), high: told(high, :floor), value: value.inspect) }
      end
      raise new(problems) unless problems.empty?
    end

    # A limit rounded inward: what is told is taken.
    def self.told(limit, inward)
      rounded = limit.public_send(inward, limit.abs < 10 ? 1 : 0)
      rounded == rounded.to_i ? rounded.to_i : rounded
    end
    private_class_method :told
  end

  # An id that names nothing known; the message lists what there is.
  class UnknownName < Error; end

  # A file that cannot be read as a recording at all. Carries the line where known.
  class UnreadableRecording < Error
    attr_reader :line

    def initialize(message, line: nil)
      @line = line
      super(message)
    end
  end

  # A CSV file whose headings are a device's own: readable once somebody says what they mean.
  class UnknownHeadings < UnreadableRecording
    # @return [Array<String>] as they stand in the file, and the cells of the first row under them
    attr_reader :headings, :example

    def initialize(message, headings:, example:)
      @headings = headings
      @example = example
      super(message, line: 1)
    end
  end

  # A question the flight model cannot answer honestly; the message is the reason.
  class OutsideModel < Error; end
end
