# frozen_string_literal: true

require_relative '../server_helper'

# Flying alone: an authority is signed and chained, and a lesson outside it is not sent off.
class SoloServerTest < Minitest::Test
  include ServerHelp

  def setup
    super
    @school.update!(lat_deg: 47.2, lon_deg: -14.3)
    Fujin::PersonDocument.create!(person: @student, by: @chief, kind: 'medical', created_at: Time.now.utc)
    as(@instructor)
  end

  def allowed(**more)
    today = Time.now.utc.to_date
    { id: SecureRandom.uuid, exercises: ['straight_in_autorotation'], places: ['Heath'], aircraft_ids: [@aircraft.id],
      wind_kt: 10, gust_kt: 15, crosswind_kt: 6, visibility_m: 8000, cloud_base_ft: 1500, daylight_only: true,
      from: today.iso8601, until: (today + 30).iso8601, despite: 'shown on the other type' }.merge(more)
  end

  def give(**more) = post_json("/api/students/#{@student.id}/solo", allowed(**more)) && answer

  def go(lesson, **more)
    patch_json "/api/sorties/#{lesson.id}", { go_decision: 'go' }.merge(more),
               { 'HTTP_IF_MATCH' => %("#{lesson.reload.lock_version}") }
    status
  end

  # At noon today, so that the sun is up where the school is.
  def solo_lesson(**more)
    sortie(people_aboard: 'solo', starts_at: Time.now.utc.to_date.to_time(:utc) + (13 * 3600), **more)
  end

  def test_what_is_missing_is_signed_with_why
    give(despite: nil)

    assert_equal 409, status
    assert_includes answer['detail'], 'Hovering autorotation: not shown to standard yet'
    give

    assert_equal [201, 'in_force'], [status, answer['authorities'][0]['state']]
    get "/api/solo-authorities/#{answer['authorities'][0]['id']}/document"
    verdict = Fujin::SignOffDocument.verify(last_response.body, pinned_key: @school.public_key)

    assert_equal ['solo_authority', 'shown on the other type', ['Q-TEST']],
                 [verdict.kind, *verdict.statement.values_at('despite', 'aircraft')]
    broken = last_response.body.sub('"wind_kt":10', '"wind_kt":20')

    assert_raises(Fujin::SignOffDocument::Broken) { Fujin::SignOffDocument.verify(broken) }
  end

  def test_it_is_a_link_of_the_chain_and_so_is_its_end
    first = give['authorities'][0]['id']
    post_json "/api/solo-authorities/#{first}/withdrawal", { id: SecureRandom.uuid, reason: 'moved to another type' }

    assert_equal ['withdrawn', 'moved to another type'], answer['authorities'][0].values_at('state', 'withdrawn_why')
    documents = Fujin::ChainLink.in_order.map(&:parsed)
    Fujin::SignOffDocument.verify_chain(documents)

    assert_equal(%w[solo_authority solo_withdrawal], documents.map { |one| one['statement']['kind'] })
    assert_raises(ActiveRecord::StatementInvalid) do
      Fujin::Record.transaction(requires_new: true) { Fujin::SoloAuthority.first.update!(until_on: '2030-01-01') }
    end
  end

  def test_a_solo_lesson_goes_only_within_it
    lesson = solo_lesson

    assert_equal 409, go(lesson)
    assert_includes answer['detail'], 'Student has no solo authority in force'
    give

    assert_equal 200, go(lesson)
    windy = solo_lesson(wind_kt: 14)

    assert_equal 409, go(windy)
    assert_includes answer['detail'], 'wind 14 kt, it allows up to 10 kt'
    get "/api/sorties/#{windy.id}"

    assert_equal ['wind 14 kt, it allows up to 10 kt'], answer['outside_solo']
    assert_equal 409, go(windy, wind_kt: 16), 'what is changed with the decision counts'
    assert_equal 200, go(sortie, wind_kt: 20), 'dual is the instructor\'s to decide'
  end

  def test_only_the_chief_sends_somebody_outside_it_and_says_why
    lesson = solo_lesson

    assert_equal 409, go(lesson, go_reason: 'calm after noon')
    as(@chief)

    assert_equal 409, go(lesson)
    assert_equal 200, go(lesson, go_reason: 'calm after noon, I watch from the strip')
    entry = Fujin::AuditEntry.find_by(what: 'solo outside its authority')

    assert_equal ['calm after noon, I watch from the strip', ['Student has no solo authority in force']],
                 [entry.why, entry.became['outside']]
  end

  def test_a_solo_booking_looks_at_it_too
    booking = { id: SecureRandom.uuid, kind: 'solo', student_id: @student.id, instructor_id: @instructor.id,
                aircraft_id: @aircraft.id,
                from_at: (Time.now.utc + 86_400).iso8601, to_at: (Time.now.utc + 90_000).iso8601 }
    post_json '/api/bookings/look', booking

    assert_includes answer.map { |one| one['text'] }, 'Student has no solo authority in force.'
    give
    post_json '/api/bookings/look', booking

    refute_includes answer.map { |one| one['id'] }, 'solo'
    post_json '/api/bookings/look',
              booking.merge(from_at: (Time.now.utc + (40 * 86_400)).iso8601,
                            to_at: (Time.now.utc + (40 * 86_400) + 3600).iso8601)

    assert(answer.any? do |one|
      one['id'] == 'solo' && one['text'].start_with?('Outside the solo authority: it holds from')
    end)
  end

  def test_ranges_and_ways_round_are_refused_by_field
    give(wind_kt: 45)

    assert_equal [400, 'wind_kt'], [status, answer['errors'][0]['path']]
    give(until: (Time.now.utc.to_date - 1).iso8601)

    assert_equal [422, 'until'], [status, answer['errors'][0]['path']]
    give(aircraft_ids: [SecureRandom.uuid])

    assert_equal [422, 'aircraft_ids'], [status, answer['errors'][0]['path']]
  end

  # The plan with each load by itself, through the command line's way of planning.
  def test_the_solo_card_is_two_plans_of_this_pair
    @instructor.update!(mass_kg: 91)
    get "/api/sorties/#{@sortie.id}/solo-card"
    mass, hover = %w[mass_kg hover_power_inhg].map { |id| answer['rows'].find { |row| row['id'] == id } }

    assert_in_delta 91, mass['dual'] - mass['solo'], 0.001
    alone = Fujin::Planning::Conditions.build(type: @aircraft.type, mass_kg: mass['solo'], wind: Fujin::Wind.parse('350/8'),
                                              elevation_ft: 62.0, oat_c: 15.0, qnh_hpa: 1013.25)
    plan = Fujin::Catalogue.find('straight_in_autorotation').plan(alone, Fujin::Planning::HouseMethod.new({}))

    assert_in_delta plan.numbers['hover_power_inhg'].value, hover['solo'], 0.01
    assert_includes answer['words'].join(' '), '91 kg lighter without Instructor'
    assert_operator hover['solo'], :<, hover['dual']
  end

  def change(lesson, **more)
    patch_json "/api/sorties/#{lesson.id}", more, { 'HTTP_IF_MATCH' => %("#{lesson.reload.lock_version}") }
    lesson.reload.go_decision
  end

  # Go is for the lesson as it was; whatever changes it past the authority takes it back.
  def test_go_does_not_outlive_what_it_was_given_for
    give
    { people_aboard: 'solo', wind_kt: 11, spot_name: 'Cliff top',
      aircraft_id: second_aircraft.id }.each do |name, value|
      lesson = if name == :people_aboard
                 solo_lesson.tap do |one|
                   one.update!(people_aboard: 'dual', wind_kt: 20)
                 end
               else
                 solo_lesson
               end

      assert_equal 200, go(lesson), name
      assert_nil change(lesson, name => value), name
      assert_equal 'go taken back', Fujin::AuditEntry.latest.first.what
    end
  end

  def second_aircraft = @second_aircraft ||= Fujin::AircraftRow.create!(mark: 'Q-TWO', type_id: 'tansy-2')

  def test_go_stays_when_what_changes_is_within
    give
    lesson = solo_lesson

    assert_equal 200, go(lesson)
    assert_equal 'go', change(lesson, wind_kt: 10)
    assert_equal 'go', change(lesson, objective: 'quiet hands')
    lesson.update!(off_at: lesson.starts_at, on_at: lesson.starts_at + 600)

    assert_equal 'go', change(lesson, wind_kt: 25), 'what was flown is not decided again'
  end

  def test_an_exercise_added_or_an_authority_withdrawn_takes_go_back
    authority = give['authorities'][0]['id']
    lesson = solo_lesson
    go(lesson)
    post_json "/api/sorties/#{lesson.id}/exercises", { id: SecureRandom.uuid, manoeuvre: 'hover', settings: {} }

    assert_nil lesson.reload.go_decision
    other = solo_lesson
    go(other)
    post_json "/api/solo-authorities/#{authority}/withdrawal",
              { id: SecureRandom.uuid, reason: 'moved to another type' }

    assert_nil other.reload.go_decision
  end

  def test_what_the_chief_answered_for_stays_answered_and_no_more
    lesson = solo_lesson
    as(@chief)
    go(lesson, go_reason: 'I watch from the strip')
    as(@instructor)

    assert_equal 'go', change(lesson, objective: 'quiet hands')
    give(wind_kt: 10)

    assert_nil change(lesson, wind_kt: 14), 'another reason than the one that was answered for'
  end

  def test_whose_solo_list_it_is
    give
    as(@other)
    get "/api/students/#{@student.id}/solo"

    assert_equal 404, status
    get "/api/solo-authorities/#{Fujin::SoloAuthority.first.id}/document"

    assert_equal 404, status
    as(@student)
    get "/api/students/#{@student.id}/solo"

    assert_equal 1, answer['authorities'].size
    post_json "/api/students/#{@student.id}/solo", allowed

    assert_equal 403, status, 'nobody allows themselves'
  end
end
