# frozen_string_literal: true

module Fujin
  module Progress
    # What a Standing says, without the attempts that it rests on.
    # @!attribute level [Integer, nil], weakest_phase [String, nil], last_flown [Date, nil], stuck [Boolean]
    Stands = Value.define(:level, :weakest_phase, :stuck, :last_flown) do
      def stuck? = stuck
    end
  end
end
