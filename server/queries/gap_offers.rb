# frozen_string_literal: true

module Fujin
  # Who could take a booking that was cancelled: those who wait and are free, the longest without a lesson first.
  class GapOffers
    # @param booking [Booking] cancelled
    def initialize(booking, world)
      @booking = booking
      @world = world
    end

    # @return [Array<Hash>] wait, student, last lesson, what would stand against it
    def to_a
      day = @world.zone.call(@booking.from_at).to_date
      waits = Wait.open.where(from_on: ..day, until_on: day..).preload(:student, :instructor)
      flown = Sortie.where(student_id: waits.map(&:student_id)).where.not(on_at: nil)
      last = flown.group(:student_id).maximum(:starts_at)
      waits.filter_map { |wait| offer(wait, last[wait.student_id]) }.sort_by { |one| one['last_lesson'].to_s }
    end

    private

    def offer(wait, last)
      return nil if wait.instructor_id && wait.instructor_id != @booking.instructor_id

      asked = Booking.new(@booking.fields(*BookingDesk::FIELDS).merge('kind' => 'dual', 'examiner_id' => nil,
                                                                      'student_id' => wait.student_id))
      clashes = @world.clashes(asked)
      return nil if clashes.any? { |one| one.level == 'cannot' }

      { 'wait' => wait.id, 'student' => Serialisers.person_name(wait.student), 'last_lesson' => Serialisers.time(last),
        'clashes' => clashes.map { |one| Serialisers.clash(one) } }
    end
  end
end
