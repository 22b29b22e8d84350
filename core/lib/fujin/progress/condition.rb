# frozen_string_literal: true

module Fujin
  module Progress
    # One condition of readiness, with the fact that meets it or not.
    Condition = Value.define(:id, :met, :text)
  end
end
