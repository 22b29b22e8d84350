# frozen_string_literal: true

require_relative '../server_helper'
require_relative '../../core/test/site_help'

# What a school adds to its sites: heights of the ground, and the power checks flown there.
class SiteGroundTest < Minitest::Test
  include ServerHelp
  include SiteHelp

  DAY = { wind_from_deg: 360, wind_kt: 10, type_id: 'tansy-2', people: 'dual', at: '2026-06-21T12:00:00Z' }.freeze

  def setup
    super
    as(@instructor)
    post_json('/api/sites', { id: SecureRandom.uuid, document: document(ground, spot, approach, departure, answers) })
    @site = answer['id']
  end

  # Rows from north to south; level up to the middle of the made-up meadow, then rising to the north by a fifth.
  def grid(rise: 0.2, cells: 100, cell: 0.0005, west: -4.025, south: 55.975)
    rows = (0...cells).map do |row|
      north_m = (cells - row - 0.5 - (cells / 2)) * cell * 111_300
      Array.new(cells) { (91.0 + ([north_m - 150, 0].max * rise)).round(1) }.join(' ')
    end
    "ncols #{cells}\nnrows #{cells}\nxllcorner #{west}\nyllcorner #{south}\ncellsize #{cell}\n#{rows.join("\n")}\n"
  end

  def load_grid(bytes, name: 'hills.asc')
    post("/api/terrain?name=#{name}", {},
         { input: bytes, 'CONTENT_TYPE' => 'application/octet-stream', 'HTTP_X_CSRF_TOKEN' => @token.to_s })
    answer
  end

  def report(**question)
    post_json("/api/sites/#{@site}/report", DAY.merge(question))
    answer
  end

  def out(report) = report['departures'][0]['ways']['towering']['climb_angle_needed_deg']

  def test_ground_heights_are_used_until_they_are_removed
    assert_nil report['site']['terrain']
    assert_equal 'no_obstacle', out(report)['reason']
    load_grid(grid)

    assert_equal 201, last_response.status
    assert_equal([['hills.asc', 55]], answer.map { |row| row.values_at('name', 'cell_m') })
    id = answer[0]['id']

    assert_in_delta 91.0 / 0.3048, report['site']['terrain']['elevation_ft'], 1.0
    assert_operator out(report)['value'], :>, 8.0
    assert_operator report['picture']['departures'][0]['profile'].last[1], :>, 300
    delete "/api/terrain/#{id}", {}, 'HTTP_X_CSRF_TOKEN' => @token.to_s

    assert_empty answer
    assert_equal 'no_obstacle', out(report)['reason']
  end

  def test_of_two_grids_the_finer_counts
    load_grid(grid(rise: 0.0), name: 'coarse.asc')
    load_grid(grid(cells: 200, cell: 0.00025), name: 'fine.asc')

    assert_equal 28, report['site']['terrain']['cell_m']
    assert_operator out(report)['value'], :>, 8.0
  end

  def test_a_grid_of_elsewhere_and_one_without_a_height_here_change_nothing
    load_grid(grid(west: 10.0))
    load_grid(grid.gsub(/\b91.0\b/, '-9999').sub("cellsize 0.0005\n", "cellsize 0.0005\nnodata_value -9999\n"),
              name: 'gap')

    assert_nil report['site']['terrain']
    assert_equal 200, last_response.status
  end

  def test_a_broken_grid_is_refused_with_its_line
    load_grid(grid.sub('91.0', 'here'))

    assert_equal 422, last_response.status
    # Five lines of head; 47 rows rise, being more than 150 m north of the middle.
    assert_equal 'line 53', answer['errors'][0]['path']
    get '/api/terrain'

    assert_empty answer
    load_grid(grid)
    load_grid(grid)

    assert_equal 409, last_response.status
  end

  def test_learners_see_grids_and_load_none
    load_grid(grid)
    as(@student)
    get '/api/terrain'

    assert_equal 1, answer.size
    load_grid(grid, name: 'mine.asc')

    assert_equal 403, last_response.status
  end

  def keep_check(seen, how = { how: 'hover', height_ft: 4 }, **day)
    question = DAY.merge(power_check: { seen: seen, **how }, **day)
    post_json("/api/sites/#{@site}/power-checks", { id: SecureRandom.uuid, at: question[:at], question: question })
    answer
  end

  # A tenth more on the gauge than predicted: the power left shrinks by just that, (1 + m)/k − 1.
  def test_a_check_that_was_kept_becomes_the_margin_of_its_day
    before = report
    margin = before['day']['power_margin_pct']['value']
    predicted = before['day']['gauge']['hover']
    checks = keep_check((predicted * 1.04).round(1))['checks']

    assert_equal 201, last_response.status
    k = checks[0]['k']

    assert_in_delta predicted, checks[0]['predicted'], 0.05
    assert_operator k, :>, 1.0
    now = report

    assert_equal checks[0]['id'], now['check']['id']
    assert_in_delta ((100 + margin) / k) - 100, now['day']['power_margin_pct']['value'], 0.1
  end

  def test_it_holds_for_its_day_its_type_and_about_its_load_only
    keep_check((report['day']['gauge']['hover'] * 1.03).round(1))

    refute_nil report['check']
    assert_nil report(at: '2026-06-22T12:00:00Z')['check']
    assert_nil report(type_id: 'bracken-2')['check']
    assert_nil report(people: 'solo')['check']
    assert_nil report(at: nil)['check']
    assert_nil report(power_check: nil)['check'], 'a question that wants none'
  end

  def test_the_newest_of_a_day_holds_and_both_ways_of_checking_are_kept
    gauge = report['day']['gauge']
    keep_check(gauge['hover'])
    level = { how: 'pass', ias_kt: gauge['pass_ias_kt'] }
    checks = keep_check(gauge['pass'], level, at: '2026-06-21T13:00:00Z')['checks']

    assert_equal(%w[pass hover], checks.map { |one| one['how'] })
    assert_in_delta 1.0, checks[0]['k'], 0.01
    assert_equal 'pass', report['check']['how']
  end

  def test_a_check_that_cannot_be_believed_is_not_kept
    keep_check((report['day']['gauge']['hover'] * 1.4).round(1))

    assert_equal 422, last_response.status
    assert_match(/between 0.85 and 1.15 is believed/, last_response.body)
    assert_nil report['check']
  end

  # A field 1 km to the north, its ground 40 ft higher; an elm of 60 ft between the two.
  def neighbour(*more)
    corners = [[960, -30], [1040, -30], [1040, 30], [960, 30]]
    barn = feature('site', 'Polygon', ring(*corners), name: 'Barn field', elevation_ft: 340, surface: 'grass')
    post_json('/api/sites', { id: SecureRandom.uuid, document: document(barn, *more) })
  end

  def test_what_a_neighbour_has_is_taken_over_open_and_by_this_sites_datum
    neighbour(tree(300, 400, 60, id: 'elm', by: 'somebody'))
    get "/api/sites/#{@site}/neighbours"
    feature = answer[0]['feature']

    assert_equal({ 'id' => 'barn-field-elm', 'top_ft' => 100.0, 'status' => 'open', 'by' => nil },
                 %w[id top_ft status by].to_h { |name| [name, feature['properties'][name]] })
    get "/api/sites/#{@site}"
    drawn = answer['document']
    put_json "/api/sites/#{@site}", { document: drawn.merge('features' => drawn['features'] + [feature]) },
             { 'HTTP_IF_MATCH' => last_response['etag'] }

    assert_equal 200, last_response.status
    assert_includes answer['open'], 'barn-field-elm'
    get "/api/sites/#{@site}/neighbours"

    assert_empty answer
  end

  def test_students_are_not_told_what_was_found_next_door
    neighbour(tree(300, 400, 60, id: 'elm'))
    as(@student)
    get "/api/sites/#{@site}/neighbours"

    assert_equal 403, last_response.status
  end

  # What is read in the air: the report's own break-off point, over the spot and 300 ft of elevation higher on the
  # altimeter; where lift is felt, what is open.
  def test_the_cockpit_has_the_gates_of_the_report
    lesson = sortie(manoeuvre: 'confined_area', course_deg: nil, height_ft: nil, wind_from_deg: 360, wind_kt: 10)
    lesson.exercise.update!(site_id: @site, site_line: 'in', elevation_ft: 300)
    point = report['approaches'][0]['break_off']['height_ft']['value']
    get "/api/exercises/#{lesson.exercise.id}/site"
    gates = answer['gates'].to_h { |gate| gate.values_at('id', 'value') }

    assert_equal "#{point} ft, altimeter #{point + 300}", gates['break_off']
    assert_match(/\A000°, \d+\.\d°\z/, gates['course'])
    assert_match(/\A000°, /, gates['way_out'])
    assert_empty answer['open']
    assert_equal 'Meadow', answer['site']
  end

  # A lesson there, on the day of the check, with about its load: the margin of its report is the checked one.
  def test_a_lesson_there_that_day_has_the_checked_margin
    lesson = sortie(manoeuvre: 'confined_area', course_deg: nil, height_ft: nil, wind_from_deg: 360, wind_kt: 10)
    lesson.exercise.update!(site_id: @site, site_line: 'in', elevation_ft: 300)
    margin = -> { Fujin::SortieSetting.new(lesson, {}, lesson.exercise).site_report.day }
    before = margin.call
    row = Fujin::SiteRow.find(@site)
    check = { by: @instructor, type_id: 'tansy-2', how: 'hover', height_ft: 4, seen: 24.0, predicted: 23.0,
              unit: 'inhg', k: 1.05, mass_kg: before.conditions.mass_kg, density_altitude_ft: 300 }
    row.checks.create!(**check, checked_at: lesson.starts_at - 86_400)

    assert_in_delta 1.0, margin.call.k, 1e-9, 'of the day before'
    row.checks.create!(**check, checked_at: lesson.starts_at - 3600, mass_kg: check[:mass_kg] * 1.1)

    assert_in_delta 1.0, margin.call.k, 1e-9, 'with another load'
    row.checks.create!(**check, checked_at: lesson.starts_at - 1800)

    assert_in_delta 1.05, margin.call.k, 1e-9
    assert_in_delta ((100 + before.margin_pct) / 1.05) - 100, margin.call.margin_pct, 0.1
  end

  def test_a_check_sent_twice_is_kept_once_and_one_without_a_reading_not_at_all
    question = DAY.merge(power_check: { seen: report['day']['gauge']['hover'], how: 'hover', height_ft: 4 })
    body = { id: SecureRandom.uuid, at: DAY[:at], question: question }
    2.times { post_json "/api/sites/#{@site}/power-checks", body }

    assert_equal 201, last_response.status
    assert_equal 1, answer['checks'].size
    post_json "/api/sites/#{@site}/power-checks", { id: SecureRandom.uuid, at: DAY[:at], question: DAY }

    assert_equal 422, last_response.status
    as(@student)
    post_json "/api/sites/#{@site}/power-checks", body

    assert_equal 403, last_response.status
  end

  # What the student flew there stands beside what they had surveyed, once it is handed in.
  def test_a_survey_that_is_handed_in_has_what_was_flown_beside_it
    lesson = sortie(manoeuvre: 'confined_area', course_deg: nil, height_ft: nil, wind_from_deg: 360, wind_kt: 10)
    attempt = imported(lesson).first
    room = { 'value' => 14.0, 'low' => 11.0, 'high' => 17.0, 'unit' => 'ft', 'verdict' => 'in',
             'label' => 'Room behind the tail' }
    attempt.update_columns(proposal: attempt.proposal.merge('measures' => { 'tail_clearance_ft' => room }),
                           exercise_id: lesson.exercise.id)
    lesson.exercise.update_columns(site_id: @site)
    survey = Fujin::SiteSurvey.create!(site_id: @site, student: @student, asked_by: @instructor, features: [])
    get "/api/site-surveys/#{survey.id}"

    assert_empty answer['flown']
    survey.update!(handed_in_at: Time.now.utc)
    get "/api/site-surveys/#{survey.id}"

    assert_equal([['lines.manoeuvring', 14.0, 'in', attempt.position]],
                 answer['flown'].map { |one| one.values_at('point', 'value', 'verdict', 'position') })
  end
end
