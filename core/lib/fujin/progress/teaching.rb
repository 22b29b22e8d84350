# frozen_string_literal: true

module Fujin
  module Progress
    # Teaching to teach: an instructor candidate teaches, the instructor plays a student with a
    # fault. The recording tells whether the fault that the candidate named is the one that was there.
    module Teaching
      # What is graded, in the order in which it is done.
      ITEMS = {
        'explained' => 'Explained it',
        'demonstrated' => 'Demonstrated, talking',
        'handed_over' => 'Handed over',
        'spotted' => 'Spotted the fault',
        'cue' => 'Said one cue',
        'took_over' => 'Took over in time'
      }.freeze

      # @return [String] 'first' the fault to work on was named; 'among' one that came of it, or beside it;
      #   'not_there'; 'none_there'
      #   the recording shows no fault at all. Naming none where there is none is right.
      # @param named [String, nil] fault id, nil for 'nothing to mend'
      # @param recorded [Array<String>] fault ids in causal order
      def self.verdict(named, recorded)
        return named.nil? ? 'first' : 'none_there' if recorded.empty?
        return 'first' if named == recorded.first

        recorded.include?(named) ? 'among' : 'not_there'
      end

      # The grade that the recording proposes for spotting it: to standard, marginal, far out.
      PROPOSED = { 'first' => 3, 'among' => 2, 'not_there' => 1, 'none_there' => 1 }.freeze
    end
  end
end
