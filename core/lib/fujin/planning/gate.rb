# frozen_string_literal: true

module Fujin
  module Planning
    # A point the attempt must pass with its numbers in band, or be broken off.
    # `over` is the phase that must have ended by here, where there is one.
    # `measures` are {target:, low:, high:, unit:} by measure id; `text` says what to look at and what a miss means.
    Gate =
      Value.define(:id, :height_ft, :along_ft, :measures, :text, :over, defaults: { over: nil }) do
        self::TITLES = { 'decision' => 'Decision', 'threshold' => 'Threshold', 'line' => 'Line',
                         'lift off' => 'Lift-off', 'round out' => 'Round-out', 'roll out' => 'Out of the turn',
                         'lift' => 'Off the ground', 'stop' => 'Last stop', 'recover' => 'Nose down' }.freeze

        # What a person reads.
        def title = Text.of(self.class::TITLES.fetch(id, id.capitalize))
      end
  end
end
