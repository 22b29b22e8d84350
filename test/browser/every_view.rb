# frozen_string_literal: true

require_relative '../server/sign_off_help'

# The addresses of all main views, of a school in which @student is ready for a sign-off, another lesson went less well,
# one aircraft is grounded and somebody has booked.
module EveryView
  include SignOffHelp

  def a_school_at_work
    make_ready
    grade_all(imported(@sortie, faults: [{ 'late_collective' => 1.5 }]).first, @instructor, 'instructor')
    by = { by: @chief, aircraft: Fujin::AircraftRow.create!(mark: 'Q-TWO', type_id: 'tansy-2') }
    Fujin::MaintenanceItem.create!(title: '50 hour check', at_hours: 2, **by)
    Fujin::Defect.create!(text: 'a chip light', grounds: true, created_at: Time.now.utc, **by)
    Fujin::PersonDocument.create!(person: @student, by: @chief, kind: 'medical', created_at: Time.now.utc)
    from = (Time.now.utc.to_date + 1).to_time(:utc) + 36_000
    Fujin::Booking.create!(kind: 'dual', student: @student, instructor: @instructor, aircraft: @aircraft, by: @chief,
                           from_at: from, to_at: from + 3600)
  end

  def views
    lesson = "/sorties/#{Fujin::AttemptRow.where.not(sortie_id: @sortie.id).first.sortie_id}"
    ["/bookings?day=#{Time.now.utc.to_date + 1}", '/', '/bookings',
     '/students', "/students/#{@student.id}", '/sites', '/fleet', '/method', '/people', '/school',
     '/me', "/people/#{@student.id}", "/people/#{@student.id}/log", '/sign-offs',
     "/students/#{@student.id}/side-by-side?manoeuvre=straight_in_autorotation",
     *%w[prepare fly review record debrief].map { |stage| "#{lesson}/#{stage}" },
     *%w[review debrief].map { |stage| "/sorties/#{@sortie.id}/#{stage}" }]
  end
end
