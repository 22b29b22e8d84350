# frozen_string_literal: true

module Fujin
  module Bookings
    # What is booked already, or flown: who, in what, when.
    #   people, instructs  ids of those in it, and of those who give it
    #   flown              its hours are in the aircraft's own
    Booked = Value.define(:id, :slot, :words, :people, :instructs, :aircraft_id, :flown, defaults: { flown: false })
  end
end
