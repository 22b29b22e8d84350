# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# A rule tried on either side of its limit.
module FaultLimits
  def found(proposal, id) = proposal.faults.find { |fault| fault.id == id }

  def assert_limit(id, inside, outside, words)
    assert_nil found(inside, id), "#{id} inside its limit"
    fault = found(outside, id)

    refute_nil fault, "#{id} outside its limit"
    assert_match words, fault.evidence
  end
end
