# frozen_string_literal: true

module Fujin
  module Bookings
    # What a school asks of its bookings. Every number is a setting. The defaults are chosen on the careful side; duty,
    # rest and weather minima are the authority's and the operator's to set.
    class Rules
      # Setting => default, least, most.
      NUMBERS = {
        'duty_max_h' => [10, 1, 16],
        'rest_min_h' => [11, 4, 24],
        'instructing_max_h' => [6, 1, 12],
        'turnaround_min' => [0, 0, 120],
        'sunset_margin_min' => [30, 0, 180],
        'shortest_min' => [20, 5, 120],
        'longest_h' => [4, 1, 12]
      }.freeze

      # By stage: least visibility and cloud base. Wind limits are the stage's own (Planning::Cautions).
      MINIMA = {
        'early' => { 'visibility_m' => 5000, 'cloud_base_ft' => 1000 },
        'solo' => { 'visibility_m' => 8000, 'cloud_base_ft' => 1500 },
        'test' => { 'visibility_m' => 5000, 'cloud_base_ft' => 1000 },
        'instructor' => { 'visibility_m' => 3000, 'cloud_base_ft' => 700 }
      }.freeze
      MINIMA_RANGES = { 'visibility_m' => [800, 20_000], 'cloud_base_ft' => [300, 5000] }.freeze

      # What must be on file and in date, of what there is; the rest is only looked at where it is on file.
      REQUIRED = %w[medical].freeze

      attr_reader :required

      # @param set [Hash] overrides: the numbers, 'minima' by stage, 'required' documents
      # @raise [InvalidInput] naming each value that is no number in its range, or no known name
      def initialize(set = {})
        @numbers = NUMBERS.transform_values(&:first).merge(set.slice(*NUMBERS.keys))
        own = set.fetch('minima', {})
        @minima = MINIMA.to_h { |stage, usual| [stage, usual.merge(own.fetch(stage, {}))] }
        @required = set.fetch('required', REQUIRED)
        check(set, own)
        freeze
      end

      def [](name) = @numbers.fetch(name)
      def minima(stage) = @minima.fetch(stage || 'early')
      def to_h = @numbers.merge('minima' => @minima, 'required' => @required)

      private

      def check(set, own)
        strange = (set.keys - NUMBERS.keys - %w[minima required]).map { |name| [name, 'there is no such rule'] } +
          (own.keys - MINIMA.keys).map { |stage| ["minima.#{stage}", 'there is no such stage'] } +
          (@required - DocumentKind.all.keys).map { |id| ["required.#{id}", 'there is no such document'] }
        raise(InvalidInput, strange.map { |path, message| { path: path, message: message } }) if strange.any?

        InvalidInput.check_ranges(ranges)
      end

      def ranges
        NUMBERS.to_h { |name, (_, low, high)| [name, [@numbers[name], low, high]] }.merge(
          *@minima.map do |stage, values|
            MINIMA_RANGES.to_h { |name, (low, high)| ["minima.#{stage}.#{name}", [values[name], low, high]] }
          end
        )
      end
    end
  end
end
