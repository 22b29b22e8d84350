# frozen_string_literal: true

require_relative 'record'

module Fujin
  # What was found when the chain was read whole.
  class ChainCheck < Record
    def self.latest = order(:id).last
  end
end
