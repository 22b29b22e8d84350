# frozen_string_literal: true

module Fujin
  # A booking said in a sentence, as fields that can be looked at before they are booked.
  class BookingSaid
    # @param by [Person] who says it, and instructs unless somebody else is named
    def initialize(text, by:)
      @school = School.current
      people = Person.present.where(suspended_at: nil).pluck(:name, :id, :role)
      @instructors = people.select { |_, _, role| Person::INSTRUCTORS.include?(role) }.map { |_, id, _| id }
      @said = Bookings::Sentence.new(
        text, people: people.to_h { |name, id, _| [name, id] }, instructors: @instructors,
              aircraft: AircraftRow.kept.pluck(:mark, :id).to_h, today: @school.today
      )
      @by = by
    end

    # @return [Hash] fields of a booking as far as they were said, and what was not understood
    def to_h
      found = @said.found
      from = from(found)
      {
        'kind' => found[:kind], 'student_id' => found[:student], 'aircraft_id' => found[:aircraft],
        'instructor_id' => found[:instructor] || (@by.id if @instructors.include?(@by.id)),
        'from_at' => Serialisers.time(from), 'to_at' => Serialisers.time(from && (from + (found[:minutes] * 60))),
        'not_understood' => @said.left
      }
    end

    private

    def from(found)
      return nil unless found[:hour]

      TimeZones.moment(@school.time_zone, found[:day], found[:hour], found[:minute])
    end
  end
end
