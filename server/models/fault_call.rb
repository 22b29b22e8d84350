# frozen_string_literal: true

require_relative 'record'

module Fujin
  # A fault said before the recording is looked at: played by the instructor, or named by the candidate. A nil fault is
  # none.
  class FaultCall < Record
    belongs_to :attempt, class_name: 'Fujin::AttemptRow'
    belongs_to :by, class_name: 'Fujin::Person'
  end
end
