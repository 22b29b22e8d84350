# frozen_string_literal: true

require_relative 'record'

module Fujin
  # A backup that was made, and what the chain ended with then.
  class Backup < Record
    def self.latest = order(:id).last
  end
end
