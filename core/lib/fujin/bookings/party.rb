# frozen_string_literal: true

module Fujin
  module Bookings
    # Somebody in a booking.
    #   away     why they cannot be booked at all, nil when they can
    #   stage    of a learner
    Party = Value.define(:id, :name, :documents, :stage, :away,
                         defaults: { stage: nil, away: nil, documents: [].freeze })
  end
end
