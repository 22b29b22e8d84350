# frozen_string_literal: true

require_relative 'record'

module Fujin
  class AircraftRow < Record
    self.table_name = 'aircraft'
    def type = @type ||= TypeStore.find(type_id)
  end
end
