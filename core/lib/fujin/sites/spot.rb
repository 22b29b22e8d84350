# frozen_string_literal: true

module Fujin
  module Sites
    # Where an approach ends: `ground_m` above the datum; `termination` 'hover' or 'surface'.
    Spot = Value.define(:id, :at, :termination, :ground_m)
  end
end
