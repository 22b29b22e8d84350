# frozen_string_literal: true

require_relative 'record'

module Fujin
  # Something an aircraft needs by hours, by a day, or by whichever comes first.
  class MaintenanceItem < Record
    belongs_to :aircraft, class_name: 'Fujin::AircraftRow'
    belongs_to :by, class_name: 'Fujin::Person'
    scope :open, -> { where(done_at: nil).order(:on_day, :at_hours) }

    def value = Bookings::Due.new(title: title, at_hours: at_hours, on_day: on_day)
  end
end
