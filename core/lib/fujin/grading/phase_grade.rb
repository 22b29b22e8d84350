# frozen_string_literal: true

module Fujin
  module Grading
    # A proposed grade for one phase. `grade` is nil, with no driver, when nothing was recorded.
    PhaseGrade = Value.define(:phase, :grade, :driver, :critical)
  end
end
