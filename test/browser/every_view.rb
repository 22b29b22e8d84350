# frozen_string_literal: true

require_relative '../server/sign_off_help'
require_relative 'equipped'

# The addresses of all main views, of a school in which @student is ready for a sign-off, another lesson went less well,
# one aircraft is grounded and somebody has booked.
module EveryView
  include SignOffHelp
  include Equipped

  def a_school_at_work
    make_ready
    grade_all(imported(@sortie, faults: [{ 'late_collective' => 1.5 }]).first, @instructor, 'instructor')
    @sortie.reload.update!(off_at: Time.utc(2026, 11, 25, 10), on_at: Time.utc(2026, 11, 25, 11))
    equip
    booking
    Fujin::MaintenanceItem.create!(aircraft: @second, by: @chief, title: '50 hour check', at_hours: 2)
    Fujin::Defect.create!(aircraft: @second, by: @chief, text: 'a chip light', grounds: true, created_at: Time.now.utc)
  end

  # What each of them shows of a school at work once it is there.
  # @return [Hash{String => String}] by address
  def views
    { '/' => 'Waiting for somebody', '/bookings' => 'Waiting for a gap', '/students' => 'Next sortie',
      '/sites' => 'Load a site', '/fleet' => 'a chip light', '/method' => 'House method', '/people' => 'in date',
      '/school' => 'Weather minima', '/me' => 'How I read numbers', '/sign-offs' => 'nothing at this address',
      "/bookings?day=#{tomorrow(0).to_date}" => 'Waiting for a gap', **views_of_the_student,
      **lesson(Fujin::AttemptRow.where.not(sortie_id: @sortie.id).first.sortie_id, 'no fault named'),
      **lesson(@sortie.id, 'Work on') }
  end

  def views_of_the_student
    { "/students/#{@student.id}" => 'Sorties and flight time', "/people/#{@student.id}" => 'Medical certificate',
      "/people/#{@student.id}/log" => 'flown',
      "/students/#{@student.id}/side-by-side?manoeuvre=straight_in_autorotation" => 'laid on the spot' }
  end

  def lesson(id, found)
    { 'prepare' => 'From above', 'fly' => 'Help given now', 'review' => found, 'record' => 'Flight time',
      'debrief' => 'Next time' }.transform_keys { |stage| "/sorties/#{id}/#{stage}" }
  end

  def open_view(path, shown)
    visit path
    assert_whole(shown)
  end

  # There, and whole.
  def assert_whole(shown)
    assert_selector 'h1'
    assert_no_text 'Reading'
    assert_text(/#{shown}/i)
  end
end
