# frozen_string_literal: true

require 'active_support/current_attributes'

module Fujin
  # What one read asks for again and again; forgotten at its end.
  class Current < ActiveSupport::CurrentAttributes
    attribute :reading, :school, :types
  end
end
