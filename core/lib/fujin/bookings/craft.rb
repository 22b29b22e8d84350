# frozen_string_literal: true

module Fujin
  module Bookings
    # An aircraft as a booking looks at it.
    #   grounded       why it does not fly, nil when it does
    #   hours          flown by now
    #   maintenance    what is due
    #   dual_controls  an instructor can fly it from the other seat
    Craft = Value.define(:id, :mark, :type_id, :type_name, :grounded, :hours, :maintenance, :dual_controls)
  end
end
