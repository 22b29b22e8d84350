# frozen_string_literal: true

require_relative '../server_helper'

# Aircraft: what they have flown, what is due, what was found, who may say that they fly.
class FleetTest < Minitest::Test
  include ServerHelp

  def setup
    super
    as(@chief)
  end

  def craft(mark = 'Q-TEST')
    get '/api/fleet'
    answer.find { |one| one['mark'] == mark }
  end

  def state(value, why) = put_json("/api/aircraft/#{@aircraft.id}/state", { state: value, why: why }) && status

  def test_one_is_added_once_under_its_own_mark
    fields = { id: SecureRandom.uuid, mark: 'q-new', type_id: 'sorrel-g', hours_before: 250.5, dual_controls: false }
    2.times { post_json '/api/aircraft', fields }

    assert_equal [201, 250.5, false], [status, *craft('Q-NEW').values_at('hours', 'dual_controls')]
    post_json '/api/aircraft', fields.merge(id: SecureRandom.uuid)

    assert_equal 409, status
    post_json '/api/aircraft', fields.merge(id: SecureRandom.uuid, mark: 'Q-ODD', type_id: 'balloon')

    assert_equal 422, status
    as(@instructor)
    post_json '/api/aircraft', fields.merge(id: SecureRandom.uuid, mark: 'Q-TWO')

    assert_equal 403, status
  end

  # 100.0 h when it came; 50 min and 45 min since the day that they were read.
  def test_its_hours_are_what_it_came_with_and_every_lesson_since
    @aircraft.update!(hours_before: 100.0, hours_since: Date.new(2026, 11, 20))
    [[25, 50], [26, 45], [10, 60]].each do |day, minutes|
      off = Time.utc(2026, 11, day, 10)
      sortie(starts_at: off, off_at: off, on_at: off + (minutes * 60))
    end

    assert_in_delta 100.0 + (95 / 60.0), @aircraft.hours, 1e-6
    assert_in_delta 101.6, craft['hours']
  end

  def test_what_is_due_says_how_much_is_left_and_is_done_once
    @aircraft.update!(hours_before: 48.0)
    post_json "/api/aircraft/#{@aircraft.id}/maintenance",
              { id: SecureRandom.uuid, title: '50 hour check', at_hours: 50 }
    item = craft['maintenance'][0]

    assert_equal ['due', 2.0, 'due at 50.0 h'], item.values_at('state', 'hours_left', 'text')
    post_json "/api/aircraft/#{@aircraft.id}/maintenance", { id: SecureRandom.uuid, title: 'nothing named' }

    assert_equal 422, status
    post_json "/api/maintenance/#{item['id']}/done", { note: 'by the workshop, order 12' }

    assert_empty craft['maintenance']
    post_json "/api/maintenance/#{item['id']}/done", { note: 'again' }

    assert_equal 404, status
    assert_equal 'by the workshop, order 12', Fujin::AuditEntry.find_by(what: 'maintenance done').why
  end

  def test_a_defect_is_cleared_by_who_may
    as(@instructor)
    [false, true].each do |grounds|
      post_json "/api/aircraft/#{@aircraft.id}/defects",
                { id: SecureRandom.uuid, text: "found #{grounds}", grounds: grounds, sortie_id: @sortie.id }
    end
    small, grave = craft['defects'].partition { |one| !one['grounds'] }.map(&:first)

    assert_match(/found true/, craft['grounded'])
    post_json "/api/defects/#{small['id']}/clearance", { note: 'tightened' }

    assert_equal 200, status
    post_json "/api/defects/#{grave['id']}/clearance", { note: 'looked fine' }

    assert_equal 403, status, 'what grounds it is cleared by the chief instructor'
    as(@chief)
    post_json "/api/defects/#{grave['id']}/clearance", { note: 'seal replaced' }

    assert_equal [nil, []], craft.values_at('grounded', 'defects')
  end

  def test_grounded_flying_again_and_retired
    assert_equal 200, state('grounded', 'a chip light')
    assert_equal 'a chip light', craft['grounded']
    assert_equal 200, state('flying', 'plug cleaned')
    assert_nil craft['grounded']
    assert_equal 200, state('retired', 'sold')
    assert_nil craft, 'off the list, its lessons stay'
    assert Fujin::Sortie.exists?(aircraft_id: @aircraft.id)
    assert_equal ['aircraft grounded', 'aircraft flying', 'aircraft retired'],
                 Fujin::AuditEntry.order(:id).last(3).map(&:what)
  end

  def test_another_type_is_a_change_with_why_that_the_log_keeps
    patch_json "/api/aircraft/#{@aircraft.id}", { type_id: 'bracken-2', why: 'entered wrongly' }

    assert_equal [200, 'Bracken 2'], [status, craft['type_name']]
    entry = Fujin::AuditEntry.find_by(what: 'aircraft changed')

    assert_equal [{ 'type_id' => 'tansy-2' }, { 'type_id' => 'bracken-2' }, 'entered wrongly'],
                 [entry.was, entry.became, entry.why]
  end
end
