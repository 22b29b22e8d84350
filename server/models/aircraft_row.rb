# frozen_string_literal: true

require_relative 'record'

module Fujin
  class AircraftRow < Record
    self.table_name = 'aircraft'
    has_many :maintenance, -> { open }, class_name: 'Fujin::MaintenanceItem', foreign_key: :aircraft_id,
                                        inverse_of: :aircraft
    has_many :defects, -> { open }, class_name: 'Fujin::Defect', foreign_key: :aircraft_id, inverse_of: :aircraft
    scope :kept, -> { where(retired_at: nil).order(:mark) }

    def type = @type ||= TypeStore.find(type_id)

    # Why it does not fly now, nil when it does.
    # @return [String, nil]
    def grounded
      return grounded_why if grounded_at
      if look_at_it
        return Text.of('it is to be looked at first. %{look_at_it_reason}', look_at_it_reason: look_at_it_reason)
      end

      defect = defects.find(&:grounds)
      defect && Text.of('%{text} (noted %{created_at})',
                        text: defect.text, created_at: Text.day(School.current.day_of(defect.created_at), year: false))
    end

    # Somebody looks at it before it flies again. What was found before and is not cleared stays; reading a flight takes
    # a while, and others may have changed the aircraft meanwhile.
    def look_first!(why)
      with_lock do
        known = look_at_it ? look_at_it_reason.to_s.split(' · ') : []
        update!(look_at_it: true, look_at_it_reason: (known | [why]).join(' · '))
      end
    end

    # Flown by now: what it had when it came here, and every lesson since.
    def hours
      flown = Sortie.where(aircraft_id: id).where.not(on_at: nil).where.not(off_at: nil)
      flown = flown.where(starts_at: hours_since..) if hours_since
      hours_before + (flown.sum('extract(epoch from on_at - off_at)').to_f / 3600.0)
    end

    # @return [Bookings::Craft]
    def value
      Bookings::Craft.new(id: id, mark: mark, type_id: type_id, type_name: type.name, grounded: grounded, hours: hours,
                          maintenance: maintenance.map(&:value), dual_controls: dual_controls)
    end
  end
end
