# frozen_string_literal: true

module Fujin
  module Planning
    # One number against another. `areas` and `lines` are Shape; `kind` of an area is 'avoid', 'limit' or 'band'.
    # `track` is what the plan does on it.
    Axis = Value.define(:label, :unit, :low, :high)
  end
end
