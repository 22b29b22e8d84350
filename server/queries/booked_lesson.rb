# frozen_string_literal: true

module Fujin
  # The lesson that a booking becomes: what the student is advised to fly next, by whom, in what, when.
  class BookedLesson
    # What a student begins with who has flown nothing yet, by kind of aircraft.
    FIRST = { 'helicopter' => 'effects_of_controls', 'gyroplane' => 'gyro_take_off' }.freeze

    def initialize(booking)
      @booking = booking
    end

    # @return [Sortie]
    def sortie
      @booking.with_lock do
        return @booking.sortie if @booking.sortie

        @booking.update!(sortie: plan)
        @booking.sortie
      end
    end

    private

    def plan
      student = @booking.student
      aircraft = @booking.aircraft
      Sortie.plan!(
        student: student, instructor: @booking.instructor, aircraft: aircraft, starts_at: @booking.from_at,
        manoeuvre: manoeuvre, stage: student.stage, people_aboard: @booking.kind == 'solo' ? 'solo' : 'dual',
        fuel_kg: aircraft.type.optional('fuel.full_kg', 60) * 0.6, **LessonPlan.place_for(student)
      )
    end

    def manoeuvre
      kind = @booking.aircraft.type.kind
      signed = SignOff.in_force.where(student_id: @booking.student_id).pluck(:manoeuvre)
      KeptProgress.standing(@booking.student)
        .advice(kinds: [kind], signed: signed, today: School.current.today)
        .first&.manoeuvre || FIRST.fetch(kind)
    end
  end
end
