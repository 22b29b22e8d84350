# frozen_string_literal: true

require_relative 'record'

module Fujin
  # When somebody cannot be booked: leave, or what their own calendar says.
  class Absence < Record
    belongs_to :person, class_name: 'Fujin::Person'
    scope :between, ->(from, to) { where(from_at: ...to).where(to_at: (from + 1.second)..) }

    def slot = Bookings::Slot.new(from: from_at, to: to_at)
  end
end
