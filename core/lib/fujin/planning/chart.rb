# frozen_string_literal: true

module Fujin
  module Planning
    Chart = Value.define(:id, :title, :x, :y, :areas, :lines, :track)
  end
end
