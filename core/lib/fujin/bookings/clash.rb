# frozen_string_literal: true

module Fujin
  module Bookings
    # Something that stands against a booking, in one sentence.
    #   level  'cannot': it is not booked; 'limit': only with a reason that is kept; 'note': to be known
    Clash = Value.define(:id, :level, :text)
  end
end
