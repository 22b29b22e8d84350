# frozen_string_literal: true

require_relative '../server_helper'
require_relative '../../core/test/site_help'

# Sites over the API: drawn, read back, computed for a day, surveyed blind by a student.
class SitesTest < Minitest::Test
  include ServerHelp
  include SiteHelp

  DAY = { wind_from_deg: 360, wind_kt: 10, type_id: 'tansy-2', people: 'dual', at: '2026-06-21T12:00:00Z' }.freeze

  def setup
    super
    as(@instructor)
  end

  def meadow(*more, survey: answers) = document(ground, spot, approach, departure, survey, *more)

  def added(document = meadow(tree(-100, 0, 50)))
    post_json('/api/sites', { id: SecureRandom.uuid, document: document })
  end

  def test_a_site_is_drawn_once_and_comes_back_as_it_was
    drawn = meadow(tree(-100, 0, 50), feature('picnic', 'Point', place(1, 1), id: 'kept'))
    id = SecureRandom.uuid
    2.times { post_json '/api/sites', { id: id, document: drawn } }

    assert_equal 201, last_response.status
    get "/api/sites/#{id}/geojson"

    assert_equal drawn, JSON.parse(last_response.body)
    get '/api/sites'

    assert_equal([['Meadow', [], false]], answer.map { |row| row.values_at('name', 'open', 'blind') })
    post_json '/api/sites', { id: SecureRandom.uuid, document: drawn }

    assert_equal 409, last_response.status
  end

  def test_an_impossible_drawing_changes_nothing_and_says_where
    added
    id = answer['id']
    get "/api/sites/#{id}"
    put_json "/api/sites/#{id}", { document: meadow(tree(50, 0, 10, base_ft: 20)) },
             { 'HTTP_IF_MATCH' => last_response['etag'] }

    assert_equal 422, last_response.status
    assert_equal 'tree', answer['errors'][0]['path']
    get "/api/sites/#{id}"

    assert_equal 50, answer['document']['features'].last['properties']['top_ft']
  end

  def test_a_change_needs_the_version_that_was_read
    added
    id = answer['id']
    put_json "/api/sites/#{id}", { document: meadow }, { 'HTTP_IF_MATCH' => '"0"' }

    assert_equal 200, last_response.status
    put_json "/api/sites/#{id}", { document: meadow }, { 'HTTP_IF_MATCH' => '"0"' }

    assert_equal 409, last_response.status
  end

  # The same numbers as the core's: a crown 97 m away, 66 ft to rise.
  def test_the_report_has_the_numbers_and_what_is_drawn
    added
    post_json "/api/sites/#{answer['id']}/report", DAY

    assert_equal 200, last_response.status
    line = answer['approaches'][0]

    assert_in_delta Math.atan2(66 * 0.3048, 97) * 180 / Math::PI, line['angle_needed_deg']['value'], 0.02
    assert_equal 'tree', line['decides']
    drawn = answer['picture']

    assert_in_delta(-600.0, drawn['approaches'][0]['points'][0][0], 0.2)
    assert_operator drawn['approaches'][0]['path'].first[0], :>, drawn['approaches'][0]['gate']['distance_ft']
    assert_operator drawn['field']['points'].size, :>, 100
    assert_equal %w[drop_off shut_down touch_and_go train_dual train_solo], answer['verdicts'].keys.sort
  end

  # A drawing is tried before it is kept: with a higher tree the line needs more, and nothing is stored.
  def test_a_changed_drawing_is_tried_without_being_kept
    added
    id = answer['id']
    post_json "/api/sites/#{id}/report", DAY.merge(document: meadow(tree(-100, 0, 60)))

    assert_in_delta Math.atan2(76 * 0.3048, 97) * 180 / Math::PI, answer['approaches'][0]['angle_needed_deg']['value'],
                    0.02
    get "/api/sites/#{id}"

    assert_equal 0, answer['version']
  end

  # Its airspeed never falls to 20 kt and nothing is to be cleared: the break-off point is the spot, never before it.
  def test_an_open_site_in_a_strong_wind_has_its_numbers
    added(meadow)
    id = answer['id']
    post_json "/api/sites/#{id}/report", DAY.merge(wind_kt: 25)

    assert_equal 200, last_response.status
    assert_equal 'anywhere', answer['approaches'][0]['last_possible']
    assert_equal [0, 0, 50], answer['approaches'][0]['break_off']['distance_ft'].values_at('value', 'low', 'high')
  end

  def test_half_a_wind_is_refused_and_none_is_not_calm
    added
    id = answer['id']
    post_json "/api/sites/#{id}/report", DAY.except(:wind_kt)

    assert_equal [422, 'wind_kt'], [last_response.status, answer['errors'][0]['path']]
    post_json "/api/sites/#{id}/report", DAY.except(:wind_kt, :wind_from_deg)

    assert_equal 'no_wind', answer['approaches'][0]['headwind_kt']['reason']
    assert_nil answer['verdicts']['drop_off']['verdict']
  end

  # Half an inch more than predicted takes power away.
  def test_a_power_check_becomes_the_margin
    added
    id = answer['id']
    post_json "/api/sites/#{id}/report", DAY
    before = answer['day']['power_margin_ige_pct']['value']
    post_json "/api/sites/#{id}/report", DAY.merge(power_check: { seen: 25.0, how: 'hover', height_ft: 4 })

    assert_operator answer['day']['k'], :>, 1.0
    assert_operator answer['day']['power_margin_ige_pct']['value'], :<, before
  end

  def test_lines_are_proposed
    added
    post_json "/api/sites/#{answer['id']}/proposals", DAY.merge(spot: 'spot')

    assert_equal 200, last_response.status
    assert_includes(answer['departures'].flat_map { |one| one['why'] }, 'into_wind')
    assert_equal 2, answer['approaches'][0]['coordinates'].size
  end

  # Asked for a survey, a student sees the ground alone, hands in, then sees the school's beside the own; it stays.
  def test_a_students_survey_is_blind_until_it_is_handed_in
    added(meadow(tree(-100, 0, 50), wire([90, -50], [90, 50], 30)))
    site = answer['id']
    post_json "/api/sites/#{site}/surveys", { student_id: @student.id }
    as(@student)
    get "/api/sites/#{site}"

    assert_equal [true, %w[site spot]], [answer['blind'], answer['document']['features'].map do |one|
      one['properties']['kind']
    end]
    post_json "/api/sites/#{site}/report", DAY

    assert_equal 403, last_response.status
    survey = survey_of(site)
    get "/api/site-surveys/#{survey}"

    assert_nil answer['comparison']
    found = [tree(-98, 2, 48, id: 'mine', pass: 'low'), *answers('sun')]
    put_json "/api/site-surveys/#{survey}", { features: found, hand_in: true },
             { 'HTTP_IF_MATCH' => last_response['etag'] }

    assert_equal 200, last_response.status
    verdicts = answer['comparison']['obstacles'].to_h { |row| row.values_at('id', 'verdict') }

    assert_equal({ 'tree' => 'found', 'wire' => 'missed' }, verdicts)
    assert_equal(['air_and_light.sun'], answer['comparison']['points'].select do |row|
      row['verdict'] == 'left_out'
    end.map { |row| row['id'] })
    assert_equal 1, answer['comparison']['proposed_level']
    put_json "/api/site-surveys/#{survey}", { features: [] }, { 'HTTP_IF_MATCH' => last_response['etag'] }

    assert_equal 409, last_response.status
    post_json "/api/sites/#{site}/report", DAY

    assert_equal 200, last_response.status
    as(@instructor)
    post_json "/api/site-surveys/#{survey}/grade", { level: 2, note: 'look along every pole' }

    assert_equal 2, answer['level']
  end

  def survey_of(site) = Fujin::SiteSurvey.find_by!(site_id: site, student: @student).id

  def test_students_draw_nothing_and_read_nobody_elses_survey
    added
    site = answer['id']
    post_json "/api/sites/#{site}/surveys", { student_id: @student.id }
    id = survey_of(site)
    as(@other)
    get "/api/site-surveys/#{id}"

    assert_equal 404, last_response.status
    added

    assert_equal 403, last_response.status
  end

  # Led to a site, an exercise has its spot, ground, course, the angle that is needed there and the height of its gate;
  # the plan is made of them, what is measured is measured there, and it can be led away again.
  def test_an_exercise_is_led_to_a_site
    added
    site = answer['id']
    exercise = @sortie.exercise
    exercise.update!(manoeuvre: 'confined_area', course_deg: nil, settings: {})
    put_json "/api/exercises/#{exercise.id}/site", { site_id: site }

    assert_equal 200, last_response.status
    exercise.reload

    assert_equal ['Meadow', 'in', 0.0, 300.0],
                 [exercise.spot_name, exercise.site_line, exercise.course_deg, exercise.elevation_ft]
    assert_in_delta MAP.lat_deg, exercise.spot_lat_deg, 1e-5
    assert_in_delta 13.5, exercise.settings['approach_angle_deg'], 0.01
    assert_operator exercise.settings['break_off_ft'], :>=, 20
    post_json "/api/sorties/#{@sortie.id}/plan?exercise=#{exercise.id}", {}

    assert_equal exercise.settings['break_off_ft'], answer['numbers']['break_off_height_ft']['value']
    assert_equal 'Meadow', Fujin::SortieSetting.new(@sortie.reload, {}, exercise).grading_context.site.name
    put_json "/api/exercises/#{exercise.id}/site", { site_id: site, line: 'nowhere' }

    assert_equal 404, last_response.status
    put_json "/api/exercises/#{exercise.id}/site", { site_id: nil }

    assert_nil exercise.reload.site_id
  end

  # A site that is removed leaves the lessons that led there.
  def test_a_removed_site_leaves_its_lessons
    added
    @sortie.exercise.update!(site_id: answer['id'], site_line: 'in')
    as(@chief)
    id = Fujin::SiteRow.first.id
    call('DELETE', "/api/sites/#{id}", {}, {})

    assert_equal 200, last_response.status
    assert_nil @sortie.exercise.reload.site_id
    refute Fujin::SiteRow.exists?(id)
  end

  # The brief has the site on a page of its own: break-off in altimeter feet, the way out, what is open.
  def test_the_brief_has_a_page_of_the_site
    added(meadow(tree(-100, 0, 50), survey: answers(wire: 'open')))
    exercise = @sortie.exercise
    exercise.update!(manoeuvre: 'confined_area', course_deg: nil)
    put_json "/api/exercises/#{exercise.id}/site", { site_id: answer['id'] }
    get "/api/sorties/#{@sortie.id}/brief"

    assert_equal 2, last_response.body.scan(%r{/Type /Page\b}).size
    words = site_page(exercise.reload)

    assert_match(/Dual: Not suitable: wires: still open/, words)
    feet, altimeter = words.match(/(\d+) ft \((\d+) on the altimeter\)/).captures.map(&:to_i)

    assert_equal feet + 300, altimeter
    assert_match(/Out: out/, words)
    assert_match(/Still open, for the low pass to settle: wires/, words)
  end

  # What is written on the site's page.
  def site_page(exercise)
    written = []
    pdf = Prawn::Document.new
    pdf.define_singleton_method(:text) { |string, **options| super(string.tap { written << string }, **options) }
    Fujin::SiteSheet.new(pdf, Fujin::SortieSetting.new(exercise.sortie, {}, exercise).site_report,
                         exercise.site_line).draw
    written.join("\n").gsub(%r{</?b>}, '')
  end
end
