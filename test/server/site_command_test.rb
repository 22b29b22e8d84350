# frozen_string_literal: true

require_relative '../server_helper'
require_relative '../../core/test/site_help'
require_relative 'command_line_help'
require 'tmpdir'

# `bin/fujin site`, as a person or a script meets it.
class SiteCommandTest < Minitest::Test
  include SiteHelp
  include CommandLineHelp

  ROOT = Fujin::Settings::ROOT
  ORCHARD = File.join(ROOT, 'db/demo/sites/walled-orchard.geojson')

  def fujin(*arguments) = super('site', *arguments)

  def told(document, *arguments)
    Dir.mktmpdir do |folder|
      path = File.join(folder, 'site.geojson')
      File.write(path, document.is_a?(String) ? document : JSON.generate(document))
      fujin(path, '--aircraft', 'tansy-2', *arguments)
    end
  end

  def json(document, *arguments) = JSON.parse(told(document, *arguments, '--json').first)
  def meadow(*more) = document(ground, spot, approach, departure, answers, tree(-100, 0, 50), *more)

  def test_everything_is_printed_in_the_form_that_is_written_down
    found = json(meadow, '--wind', '360/10', '--at', '2026-06-21T15:00Z', '--stage', 'test', '--hottest-oat-c', '22')

    keys = %w[approaches cautions day departures lapses open reconnaissance site slope spots valid_until verdicts]

    assert_equal keys, found.keys.sort
    assert_equal 72, found['spots'][0]['clearance_tail_ft'].size
    angle = found['approaches'][0]['angle_needed_deg']['value']

    assert_in_delta Math.atan2(66 * 0.3048, 97) * 180 / Math::PI, angle, 0.02
    assert_equal %w[distance_ft height_ft ias_kt], found['approaches'][0]['break_off'].keys
    assert_equal %w[backtrack towering with_a_run], found['departures'][0]['ways'].keys.sort
    assert_equal ['test', '2026-06-21T23:59:00Z'], [found['day']['stage'], found['valid_until']]
    assert_equal %w[drop_off shut_down touch_and_go train_dual train_solo], found['verdicts'].keys.sort
  end

  def test_one_use_may_be_asked_and_a_power_check_given
    found = json(meadow, '--wind', '360/10', '--use', 'drop_off', '--power-check', '1.1')

    assert_equal ['drop_off'], found['verdicts'].keys
    assert_in_delta 1.1, found['day']['k']
    usual = json(meadow, '--wind', '360/10')

    assert_operator found['day']['power_margin_pct']['value'], :<, usual['day']['power_margin_pct']['value']
  end

  def test_without_wind_nothing_that_is_flown_is_worked_out
    found = json(meadow)

    assert_nil found['day']['wind']
    assert_equal 'no_wind', found['approaches'][0]['headwind_kt']['reason']
    assert_equal({ 'value' => nil, 'reason' => 'no_wind' }, found['approaches'][0]['break_off'])
    assert_nil found['verdicts']['train_dual']['verdict']
  end

  def test_tables_for_people
    out, err, code = fujin(ORCHARD, '--aircraft', 'tansy-2', '--wind', '20/10')

    assert_equal [0, ''], [code, err]
    assert_match(/approach over-the-meadow on 22° +needs [\d.]+° \(wall\) +fly 13.5°/, out)
    assert_match(/break off \d+0 ft out at \d+0 ft/, out)
    assert_match(/^train solo +not +out north: ground in reach on/, out)
  end

  # One line, exit 1: what is wrong with which feature; 2 where the words of the call are off.
  def test_what_cannot_be_is_refused_in_one_line
    { [1, 'spot: the spot is not on the usable ground'] => [document(ground, spot(90, 0))],
      [1, 'tree: top_ft: 10.0 lies under its own base'] => [document(ground, tree(50, 0, 10, base_ft: 20))],
      [1, 'is not readable as GeoJSON'] => ['{"type": '],
      [1, 'expected a GeoJSON FeatureCollection'] => ['[]'],
      [1, '--at: expected a time such as'] => [meadow, '--at', 'noon'],
      [1, '--wind: expected DEGREES/KNOTS'] => [meadow, '--wind', 'northerly'],
      [1, 'power_check: 1.4 of what was predicted'] => [meadow, '--power-check', '1.4'],
      [2, 'there is no use "picnic"'] => [meadow, '--use', 'picnic'] }.each do |(code, words), call|
      out, err, status = told(*call)

      assert_equal [code, ''], [status, out], words
      assert_includes err, words
      assert_equal code, err.lines.size, words
    end
    assert_match(/site needs a GeoJSON file/, fujin[1])
    assert_match(/sites are worked out for helicopters/, fujin(ORCHARD, '--aircraft', 'sorrel-g')[1])
  end

  # The five that ship with the demo are read, and each has something that decides.
  def test_the_sites_that_ship
    by_name = Dir[File.join(ROOT, 'db/demo/sites/*.geojson')].to_h do |file|
      out, = fujin(file, '--aircraft', 'tansy-2', '--wind', '350/10', '--json')
      [File.basename(file, '.geojson'), JSON.parse(out)]
    end

    assert_equal 5, by_name.size
    assert_includes by_name['slate-quarry-floor']['open'], 'wire-south'
    refute_equal [[0, 360]], by_name['walled-orchard']['spots'][0]['headings_clear']
    assert_equal 'surface', by_name['tidal-sandbar']['verdicts']['drop_off']['because'][0]['number']
    breaches = by_name['heather-ridge']['approaches'].flat_map { |one| one['breaches'] }

    assert_includes breaches.map { |one| one['number'] }, 'from_the_lee'
  end
end
