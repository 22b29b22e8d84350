# frozen_string_literal: true

module Fujin
  module Grading
    # What a finder tells of an attempt that goes on where the recording ends so far, for whoever watches it being
    # flown. One that #find tells already, or one that has begun and shows only later, by its end, that it was one: a
    # finder that can see such a beginning says it in #begun.
    module Underway
      # An attempt that ended so long before the last sample is over.
      GOES_ON_S = 1.0

      # @return [Attempt, nil] up to the last sample, its last phase the one that goes on
      def underway
        found = find
        found.reverse.find { |one| one.result == :completed && one.end_s > @signals.end_s - GOES_ON_S } ||
          begun(found)
      end

      private

      # @param _found [Array<Attempt>] what #find tells
      # @return [Attempt, nil]
      def begun(_found) = nil

      # Nothing that was found reaches past a moment.
      def after_all?(found, time_s) = found.none? { |one| one.end_s > time_s }
    end
  end
end
