# frozen_string_literal: true

require_relative 'record'

module Fujin
  # Who flies what when, agreed beforehand.
  class Booking < Record
    belongs_to :student, class_name: 'Fujin::Person'
    belongs_to :instructor, class_name: 'Fujin::Person'
    belongs_to :examiner, class_name: 'Fujin::Person', optional: true
    belongs_to :aircraft, class_name: 'Fujin::AircraftRow'
    belongs_to :sortie, class_name: 'Fujin::Sortie', optional: true
    belongs_to :by, class_name: 'Fujin::Person'
    has_many :seats, class_name: 'Fujin::BookingSeat', inverse_of: :booking
    scope :standing, -> { where(state: 'booked') }
    scope :between, ->(from, to) { where(from_at: ...to).where(to_at: (from + 1.second)..) }

    # With whoever flies it, in one question.
    scope :with_crew, -> { eager_load(:student, :instructor, :examiner, :aircraft) }

    # Whoever is in it sits in it as long as it stands.
    after_save do
      BookingSeat.where(booking_id: id).delete_all
      if state == 'booked'
        people.each { |person| BookingSeat.create!(booking: self, person: person, from_at: from_at, to_at: to_at) }
      end
    end

    def people = [student, instructor, examiner].compact.uniq
    def slot = Bookings::Slot.new(from: from_at, to: to_at)
    def words = Text.of('%{kind} with %{student}', kind: kind, student: student.name)

    # @return [Bookings::Booked]
    def value
      Bookings::Booked.new(id: id, slot: slot, words: words, people: people.map(&:id), aircraft_id: aircraft_id,
                           instructs: [instructor_id, examiner_id].compact.uniq)
    end
  end
end
