# frozen_string_literal: true

module Fujin
  module Sites
    # Ground fit for a forced landing.
    Landable = Value.define(:id, :rings, :surface)
  end
end
