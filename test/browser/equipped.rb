# frozen_string_literal: true

# A school that can book: it has a place and a second aircraft, and everybody's medical certificate is on file.
module Equipped
  def equip
    @school.update!(lat_deg: 47.2, lon_deg: -14.3)
    [@chief, @instructor, @student, @other].each do |one|
      Fujin::PersonDocument.create!(person: one, by: @chief, kind: 'medical', created_at: Time.now.utc)
    end
    @second = Fujin::AircraftRow.create!(mark: 'Q-TWO', type_id: 'tansy-2')
  end

  def tomorrow(hour) = (Time.now.utc.to_date + 1).to_time(:utc) + (hour * 3600)

  def booking(**more)
    Fujin::Booking.create!(kind: 'dual', student: @student, instructor: @instructor, aircraft: @aircraft,
                           by: @instructor, from_at: tomorrow(10), to_at: tomorrow(11), **more)
  end
end
