# frozen_string_literal: true

require_relative 'record'

module Fujin
  # One person in a booking that stands: the database lets nobody sit in two at one time.
  class BookingSeat < Record
    belongs_to :booking, class_name: 'Fujin::Booking'
    belongs_to :person, class_name: 'Fujin::Person'
  end
end
