# frozen_string_literal: true

require_relative 'record'

module Fujin
  # One version of a type the school keeps for itself; the newest counts, none is ever changed.
  class AircraftTypeVersion < Record
    belongs_to :by, class_name: 'Fujin::Person'
    scope :in_order, -> { order(:type_id, :number) }

    # A version is never changed: each is read once.
    READ = {} # rubocop:disable Style/MutableConstant
    private_constant :READ

    # @return [Aircraft::Type]
    def value = READ[[id, created_at]] ||= Aircraft::Type.new(data)
  end
end
