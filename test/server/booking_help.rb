# frozen_string_literal: true

# A school that may book, and bookings of its first day.
module BookingHelp
  DAY = Time.utc(2027, 6, 14)

  def setup
    super
    @school.update!(lat_deg: 47.2, lon_deg: -14.3)
    [@chief, @instructor, @student, @other].each { |one| medical(one) }
    @second = Fujin::AircraftRow.create!(mark: 'Q-TWO', type_id: 'tansy-2')
    as(@instructor)
  end

  def medical(person, till: nil)
    Fujin::PersonDocument.create!(person: person, by: @chief, kind: 'medical', valid_until: till, created_at: DAY)
  end

  def at(hour) = (DAY + (hour * 3600)).iso8601

  def fields(from: 10, to: 11, **more)
    { id: SecureRandom.uuid, kind: 'dual', student_id: @student.id, instructor_id: @instructor.id,
      aircraft_id: @aircraft.id, from_at: at(from), to_at: at(to) }.merge(more)
  end

  def book(**more) = post_json('/api/bookings', fields(**more)) && answer
end
