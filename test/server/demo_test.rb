# frozen_string_literal: true

require_relative '../server_helper'
require_relative '../../db/demo/demo_school'

# The school that `bin/start` shows: flown, graded and signed as everything else is.
class DemoTest < Minitest::Test
  include ServerHelp

  def test_the_student_who_is_ready_is_signed_off
    empty_the_database
    Fujin::DemoSchool.new(today: Date.new(2026, 11, 27)).load(students: %w[tove])
    tove = Fujin::Person.find_by!(sign_in: 'tove')

    assert_equal ['straight_in_autorotation'], Fujin::SignOff.where(student: tove).pluck(:manoeuvre)
    assert_operator Fujin::AttemptRow.count, :>=, 5
  end

  # A flight that passes a limit changes its aircraft while it is read: the school loads all the same, the flag stays.
  def test_an_aircraft_that_a_flight_put_on_the_list_does_not_stop_the_demo
    fleet = { @aircraft.mark => @aircraft, 'Q-BRAD' => Fujin::AircraftRow.create!(mark: 'Q-BRAD', type_id: 'bracken-2') }
    Fujin::AircraftRow.find(@aircraft.id).update!(look_at_it: true, look_at_it_reason: 'rotor rpm 116 %')
    people = { 'ismay' => @chief, 'corwin' => @instructor }
    Fujin::DemoDesk.new(people, fleet, Date.new(2026, 11, 27)).send(:due)

    assert_equal [true, 'flight recorder, 10 Hz'], @aircraft.reload.values_at(:look_at_it, :recorder)
  end

  # Along a script: hovering with one control, then two, counted; a figure, speed changes.
  def test_scripted_lessons_are_read_like_any_other
    empty_the_database
    Fujin::DemoSchool.new(today: Date.new(2026, 11, 27)).load(students: %w[fenna lioba])
    counted = Fujin::StudentProgress.new(Fujin::Person.find_by!(sign_in: 'fenna')).blocks
    flown = ->(name) { Fujin::StudentProgress.new(Fujin::Person.find_by!(sign_in: name)).manoeuvres }

    assert_equal [3, 3, 0], counted.find { |one| one.block.id == 'controls_in_hand' }.done
    assert_equal %w[hover level_speed_change turn_about_a_point], flown.call('lioba')
  end

  # Every lesson of eight weeks names people, aircraft, places and scripts that there are.
  def test_what_the_lessons_name_is_there
    lessons = YAML.load_file(File.join(Fujin::DemoSchool::FOLDER, 'sorties.yml'))
    people, places = %w[people places].map { |name| YAML.load_file(File.join(Fujin::DemoSchool::FOLDER, "#{name}.yml")) }
    names = ->(key) { lessons.filter_map { |lesson| lesson[key] }.uniq }

    assert_empty (names.call('student') + names.call('instructor')) - people.map { |one| one['sign_in'] }
    assert_empty names.call('aircraft') - Fujin::DemoSchool::FLEET.keys
    assert_empty names.call('place') - places.map { |one| one['name'] }
    assert_empty names.call('script') - Fujin::ScriptedLessons::SCRIPTS
    assert_operator lessons.map { |lesson| lesson['day'] }.min, :<=, -50
  end
end
