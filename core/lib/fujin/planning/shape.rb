# frozen_string_literal: true

module Fujin
  module Planning
    Shape = Value.define(:id, :label, :kind, :points)
  end
end
