# frozen_string_literal: true

require_relative '../server_helper'
require 'tempfile'
require_relative 'command_line_help'
require_relative '../../cli/school_command'

# A school without a browser.
class SchoolCommandTest < Minitest::Test
  include ServerHelp
  include CommandLineHelp

  def setup
    empty_the_database
  end

  # @return [Array(Integer, String, String)] the exit code, what was printed, what was said to be wrong
  def command(*words) = fujin('school', *words).rotate(-1)

  def file(text, ending)
    Tempfile.new(['school', ending]).tap { |one| one.write(text) && one.flush }.path
  end

  SET_UP = <<~YAML
    school: {name: Ferrow Rotors, station: XFER, time_zone: Europe/Lisbon, lat_deg: 47.1, lon_deg: -14.2, elevation_ft: 30}
    chief: {name: Hild Ferrow, sign_in: hild, mass_kg: 66, password: heather over slate}
    aircraft: {mark: Q-NEW, type_id: tansy-2}
  YAML

  def test_from_nothing_to_people
    assert_includes command('show')[1], 'No school yet'
    assert_equal 0, command('set-up', file(SET_UP, '.yml'))[0]
    code, out, = command('add', 'Wenna Marsh', 'wenna', 'student', '64')

    assert_equal [0, true], [code, out.match?(%r{Wenna Marsh: http://127.0.0.1:\d+/join/\S{32}})]
    table = "sign_in,name,role,mass_kg\nolin,Olin Reed,student,71\n"

    assert_includes command('import', file(table, '.csv'))[1], 'line 2: add: Olin Reed is added as student'
    assert_equal 2, Fujin::Person.count
    command('import', file(table, '.csv'), '--store')

    assert_equal 3, Fujin::Person.count
    shown = command('show')[1]

    ['Ferrow Rotors, XFER, Europe/Lisbon', 'Q-NEW', 'Olin Reed'].each { |word| assert_includes shown, word }
    code, _, err = command('set-up', file(SET_UP, '.yml'))

    assert_equal [1, 'fujin: There is a school here already. Sign in.'], [code, err.strip]
  end

  def test_what_is_wrong_is_said
    {
      ['set-up', file("school: nothing\n", '.yml')] => 'expected school and chief',
      ['set-up', file("a: [\n", '.yml')] => 'is not readable as YAML',
      ['set-up', '/nowhere.yml'] => 'there is no file /nowhere.yml',
      %w[wander] => 'school knows'
    }.each do |words, said|
      command(*words).then do |code, _, err|
        assert_operator(code, :>, 0) && assert_includes(err, said)
      end
    end
    command('set-up', file(SET_UP, '.yml'))

    assert_includes command('add', 'X', 'x1', 'student', 'heavy')[2], '"heavy" is no number'
    assert_includes command('invite', 'nobody')[2], 'fujin:'
  end

  def test_only_a_demo_is_thrown_away_and_only_by_its_name
    command('set-up', file(SET_UP, '.yml'))

    assert_includes command('throw-demo-away', 'Ferrow Rotors')[2], 'is no demo'
    TestDatabase.forge('UPDATE schools SET demo = true')

    assert_includes command('throw-demo-away', 'Other')[2], 'Type its name'
    assert_equal 0, command('throw-demo-away', 'Ferrow Rotors')[0]
    assert_equal [0, 0, 0], [Fujin::School, Fujin::Person, Fujin::AuditEntry].map(&:count)
  end
end
