# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'verdict_help'

# What a survey leaves open, and the verdict by use.
class SiteVerdictTest < Minitest::Test
  include VerdictHelp

  def test_a_good_meadow_is_suitable_for_every_use
    verdicts(good).each { |use, answer| assert_equal ['suitable', []], [answer.verdict, because(answer)], use }
  end

  def test_an_open_wire_edge_or_surface_leaves_nothing_suitable
    %w[wire edge surface].each do |about|
      all = verdicts(good(survey: answers(about.to_sym => 'open'))).values

      assert_equal ['not'], all.map(&:verdict).uniq, about
      assert_match(/-#{about}\z/, because(all.first)[0][0])
    end
    missing = verdicts(good(survey: answers('wire')))['drop_off']

    assert_equal ['obstructions.wire', 'open'], because(missing)[0]
    drawn = verdicts(good(wire([300, -50], [300, 50], 40, status: 'open')))['train_dual']

    assert_equal 'not', drawn.verdict
    assert_includes because(drawn), %w[wire open]
  end

  # What is open besides makes it 'if'; a student alone waits until nothing is.
  def test_anything_else_open_is_a_condition_and_bars_a_student_alone
    all = verdicts(good(survey: answers(sun: 'open')))

    assert_equal 'if', all['drop_off'].verdict
    assert_equal 'if', all['train_dual'].verdict
    assert_equal 'not', all['train_solo'].verdict
  end

  def test_what_only_the_high_pass_answered_is_a_condition
    high = answers.map { |one| one.merge('properties' => one['properties'].merge('pass' => 'high')) }

    assert_equal 'if', verdicts(good(survey: high))['touch_and_go'].verdict
  end

  # When passes differ the low one holds.
  def test_the_low_pass_holds
    again = ->(status, pass) do
      feature('survey_point', 'Point', place(0, 0), id: "size-#{pass}", group: 'ground', about: 'size', status: status,
                                                    pass: pass)
    end
    closed = good(survey: [*answers('size'), again.call('open', 'high'), again.call('seen', 'low')])
    reopened = good(survey: [*answers('size'), again.call('seen', 'high'), again.call('open', 'low')])

    assert_equal 'suitable', verdicts(closed)['drop_off'].verdict
    assert_includes because(verdicts(reopened)['drop_off']), %w[size-low open]
  end

  # Surface and slope count where the ground is touched, not over a hover.
  def test_ground_that_does_not_bear_is_a_condition_of_touching_it
    snow = verdicts(good(ground: ground(surface: 'snow')))

    assert_equal 'if', snow['shut_down'].verdict
    assert_equal 'suitable', snow['train_dual'].verdict
    slope = verdicts(good(ground: ground(slope_deg: 7, falls_toward_deg: 90)))

    assert_equal %w[site slope_deg], because(slope['drop_off'])[0]
    assert_equal 'suitable', verdicts(good(ground: ground(slope_deg: 4.9)))['drop_off'].verdict
  end

  # The room is 8.96 m, and thirty more are kept clear of people and beasts.
  def test_people_near_the_spot_bar_touching_down
    near = ->(metres) {
      good(feature('obstacle', 'Point', place(0, metres), id: 'walkers', what: 'people', pass: 'surveyed'))
    }

    assert_equal %w[walkers distance_ft], because(verdicts(near.call(38))['drop_off'])[0]
    assert_equal 'suitable', verdicts(near.call(40))['drop_off'].verdict
  end

  # One rotor radius from the disc's edge; a student alone half as much again: 3.98 m and 5.97 m.
  def test_a_student_alone_has_half_as_much_room_again
    post = ->(metres) {
      good(feature('obstacle', 'Point', place(0, metres), id: 'post', what: 'pole', top_ft: 20, pass: 'surveyed'))
    }
    edge = 3.98 + 1.0 + 0.5

    assert_equal %w[post clearance_main_ft], because(verdicts(post.call(edge + 3.9))['drop_off'])[0]
    narrow = verdicts(post.call(edge + 5.0))

    assert_equal 'suitable', narrow['train_dual'].verdict
    assert_includes because(narrow['train_solo']), %w[post clearance_main_ft]
    assert_equal 'suitable', verdicts(post.call(edge + 6.1))['train_solo'].verdict
  end

  def test_shutting_down_asks_for_the_power_to_leave_at_the_hottest
    assert_equal 'if', verdicts(good, hottest: nil)['shut_down'].verdict
    assert_equal 'if', verdicts(good, hottest: 4.9)['shut_down'].verdict
    assert_equal 'suitable', verdicts(good, hottest: 5.0)['shut_down'].verdict
  end

  # Nobody reads "10 kt across, 10 at most": as many digits as tell the two apart, else one.
  def test_what_breaks_a_limit_is_never_said_to_be_the_limit
    told = ->(value, limit) { Fujin::Manoeuvres::Confined::Reason.new(number: 'crosswind_kt', value: value, limit: limit).text }

    { [10.04, 10.0] => '10.04 kt across, 10 at most', [10.004, 10] => '10.004 kt across, 10 at most',
      [12.34, 10.0] => '12.3 kt across, 10 at most', [10.0, 10.0] => '10 kt across, 10 at most',
      [16.06, 15.96] => '16.1 kt across, 16 at most' }
      .each { |(value, limit), words| assert_equal words, told.call(value, limit) }
  end

  # A wire seen eight days ago is seen again before it counts; a tree after a month.
  def test_a_survey_grows_old
    now = Time.utc(2026, 6, 21, 12)
    seen = ->(one, days) { good(one.tap { |f| f['properties']['at'] = (now - (days * 86_400)).iso8601 }) }
    wire_at = ->(days) { verdicts(seen.call(wire([400, -50], [400, 50], 40), days), at: now)['drop_off'] }

    assert_equal 'suitable', wire_at.call(6.5).verdict
    assert_equal [%w[wire survey_age_days]], because(wire_at.call(8))
    assert_equal 'suitable', wire_at.call(7.0).verdict
    # What began on the eighth day is never said to be seven days old.
    assert_equal([[8, 7]], wire_at.call(7.1).because.map { |one| [one.value, one.limit] })
    assert_equal 'suitable', verdicts(seen.call(tree(200, 200, 30), 29), at: now)['drop_off'].verdict
    assert_equal 'if', verdicts(seen.call(tree(200, 200, 30), 32), at: now)['drop_off'].verdict
  end

  # Poles in a row without a wire are a wire that nobody drew.
  def test_poles_in_a_row_ask_for_their_wire
    pole = ->(east, id) {
      feature('obstacle', 'Point', place(200, east), id: id, what: 'pole', top_ft: 25, pass: 'low')
    }
    bare = report(good(pole.call(-50, 'p1'), pole.call(50, 'p2')))
    drawn = report(good(pole.call(-50, 'p1'), pole.call(50, 'p2'), wire([200, -50], [200, 50], 25)))

    assert_includes bare.cautions.map(&:id), 'look_for_a_wire'
    refute_includes drawn.cautions.map(&:id), 'look_for_a_wire'
  end

  # 60 cm of half track under 1 m of height tip at 31°: less 4° of slope and 5° in hand, 22°.
  def test_the_rollover_margin_is_geometry
    data = Fujin::Aircraft::Library.find('tansy-2').data
    frame = data['airframe'].merge('skid_track_m' => 1.2, 'cg_height_m' => 1.0)
    type = Fujin::Aircraft::Type.new(data.merge('airframe' => frame))
    found = good(ground: ground(slope_deg: 4))
    today = Fujin::Manoeuvres::Confined::Day.of(found, type, Fujin::Planning::HouseMethod.new, wind: nil)
    margin = Fujin::Manoeuvres::Confined::Slope.new(today).rollover_margin

    assert_in_delta (Math.atan(0.6) * 180 / Math::PI) - 9, margin.value, 0.01
    plain = Fujin::Aircraft::Type.new(data.merge('airframe' => data['airframe'].except('skid_track_m')))
    unknown = Fujin::Manoeuvres::Confined::Day.of(found, plain, Fujin::Planning::HouseMethod.new, wind: nil)

    assert_equal 'not_known', Fujin::Manoeuvres::Confined::Slope.new(unknown).rollover_margin.reason
  end

  # Seen is predicted: k is 1; half an inch of manifold pressure more on a gauge of 18.5 inHg a rated power is so much.
  def test_the_power_check
    today = day(good).conditions
    check = Fujin::Manoeuvres::Confined::PowerCheck
    told = check.predicted(today)
    more = 0.5 / 18.5 * today.type.fetch('engine.rated_kw') * 1000 / today.trim.hover_power_w(height_m: 4 * 0.3048)

    assert_in_delta 1.0, check.k(today, seen: told), 1e-9
    assert_in_delta 1.0 + more, check.k(today, seen: told + 0.5), 1e-6
    assert_operator check.predicted(today, how: 'pass', ias_kt: 55.0), :<, told
    [4.9, 131.0].each { |seen| assert_raises(Fujin::InvalidInput) { check.k(today, seen: seen) } }
    [5.0, 130.0].each { |seen| assert_kind_of Float, check.k(today, seen: seen) }
  end

  # 'ground in reach on 31.7 % of it, 60 wanted': figures as a person says them, whose it is first, the site's own
  # unnamed.
  def test_every_reason_is_said
    reason = Fujin::Manoeuvres::Confined::Reason
    reason::WORDS.each_key do |number|
      said = reason.new(id: 'out-north', number: number, value: 31.66, limit: 60.0).clause

      assert_match(/\Aout north: [a-z0-9]/, said, number)
      refute_match(/[{}]|nil/, said, number)
    end

    assert_equal 'out north: ground in reach on 31.7 % of it, 60 wanted',
                 reason.new(id: 'out-north', number: 'escape_pct', value: 31.66, limit: 60.0).clause
    assert_equal 'surface: long grass', reason.new(id: 'site', number: 'surface', value: 'long_grass').clause
  end

  def test_sites_are_for_helicopters
    error = assert_raises(Fujin::OutsideModel) { day(good, type: 'sorrel-g') }

    assert_match(/sites are worked out for helicopters/, error.message)
  end

  # Every text that a site can say ends like a sentence and has no hole in it.
  def test_texts_are_whole
    found = good(tree(-100, 0, 50), wood(50, 80, -60, 60, 40), tree(0, 300, nil, id: 'tall'),
                 feature('obstacle', 'LineString', line([30, -25], [30, 25]), id: 'rim', what: 'ridge', pass: 'low'),
                 ground: ground(surface: 'snow', slope_deg: 6, falls_toward_deg: 10, surroundings_ft: -200),
                 survey: answers('wire', sun: 'open'))
    all = [['360/12', '2026-06-21T20:00:00Z'], ['180/9', '2026-12-01T02:00:00Z'], [nil, nil]].flat_map do |wind, at|
      told = report(found, wind, at: at && Time.iso8601(at), oat_c: 38)
      words = Fujin::Manoeuvres::Confined::SiteCautions.new(told)
      told.cautions + told.approaches.flat_map { |one| words.of_approach(one) } +
        told.departures.flat_map { |one| words.of_departure(one) }
    end

    refute_empty all
    all.each { |one| assert_match(/\A[A-Z0-9].*\.\z/m, one.text, one.id) }
    refute(all.any? { |one| one.text.match?(/nil|NaN|#<|  /) })
  end
end
