# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'verdict_help'

# What the lines in and out do to a site's verdict, each judged by itself.
class SiteVerdictOfLinesTest < Minitest::Test
  include VerdictHelp

  # Steep with the wind from behind there is no plan along that line: it is said of the line; the site has its verdicts,
  # and the other way in is as it was.
  def test_a_line_without_a_plan_is_said_of_that_line
    tall = wood(-140, -110, -30, 30, 74)
    round = approach([600, 0], [0, 0], id: 'round')
    one, both = [[tall], [tall, round]].map { |more| verdicts(good(*more), '180/25').fetch('train_dual') }

    assert_equal 'not', one.verdict
    assert_includes because(one), %w[in plan]
    assert_includes one.because.map(&:clause).join(' '), 'no plan: with 25 kt behind, a steep approach'
    assert_equal 'round', both.approach
    refute_includes because(both), %w[in plan]
  end

  # A tailwind of up to 5 kt is let pass dual on a flat approach, never alone; more never.
  def test_the_wind_behind
    light = verdicts(good, '180/4')
    strong = verdicts(good, '180/6')

    assert_equal 'suitable', light['train_dual'].verdict
    assert_equal [%w[in tailwind_kt]], because(light['train_solo'])
    assert_equal %w[in tailwind_kt], because(strong['train_dual'])[0]
    steep = good(tree(-100, 0, 50))

    assert_equal 'not', verdicts(steep, '180/2')['train_dual'].verdict, 'steep with any wind behind'
  end

  def test_wind_across_and_gusts_over_the_stage_are_no_approach
    assert_includes because(verdicts(good, '080/12')['drop_off']), %w[in crosswind_kt]
    assert_includes because(verdicts(good, '360/10G22')['drop_off']), %w[in gust_spread_kt]
    assert_equal 'suitable', verdicts(good, '080/12', stage: 'instructor')['drop_off'].verdict
  end

  # Onto a pinnacle into the wind, but up its lee slope: never; from the windward side with the wind 40° off: yes.
  def test_onto_a_ridge_never_from_the_lee
    top = ground(surroundings_ft: -300)
    crest = feature('obstacle', 'LineString', line([20, -300], [20, 300]), id: 'crest', what: 'ridge', top_ft: 0,
                                                                           base_ft: -300, pass: 'surveyed')
    lee = verdicts(good(crest, ground: top))['drop_off']
    windward = verdicts(good(crest, ground: top), '180/12')['drop_off']
    off = verdicts(good(ground: top), '050/12', stage: 'instructor')['drop_off']

    assert_includes because(lee), %w[in from_the_lee]
    assert_includes because(windward), %w[in tailwind_kt]
    assert_includes because(off), %w[in wind_off_nose_deg]
    assert_equal 'suitable', verdicts(good(ground: top), '040/12', stage: 'instructor')['drop_off'].verdict
  end

  # With the wind behind, the sink allowed flattens a steep line: it passes lower than is kept, which is said in feet.
  def test_a_line_that_the_sink_allowed_flattens_is_no_approach
    flat = verdicts(good(tree(-100, 0, 62)), '180/9')['train_dual'].because.find do |one|
      one.number == 'least_clearance_ft'
    end

    assert_operator flat.value, :<, 20
    assert_in_delta 20.0, flat.limit, 0.01
    assert_equal 'suitable', verdicts(good(tree(-100, 0, 62)))['train_dual'].verdict
  end

  # The best of several lines counts; a height that nobody knows in one of two corridors bars only that one.
  def test_another_line_is_judged_by_itself
    over_trees = tree(-100, 0, nil)
    west = feature('approach', 'LineString', line([-300, -300], [0, 0]), id: 'in-2', spot: 'spot')

    assert_equal %w[tree top_ft], because(verdicts(good(over_trees))['drop_off'])[0]
    assert_equal(%w[suitable in-2], verdicts(good(over_trees, west))['drop_off'].then do |one|
      [one.verdict, one.approach]
    end)
  end

  # Of the way out too: which thing it is, not only which line; and not where another line out is free of it.
  def test_a_height_that_nobody_knows_under_every_way_out_is_named
    beside = feature('departure', 'LineString', line([0, 0], [300, 300]), id: 'out-2', spot: 'spot')

    assert_includes because(verdicts(good(tree(100, 0, nil)))['drop_off']), %w[tree top_ft]
    refute_includes because(verdicts(good(tree(100, 0, nil), beside))['drop_off']), %w[tree top_ft]
  end

  # Nowhere to break off: not alone, dual on condition.
  def test_no_way_round_is_dual_and_on_condition
    found = verdicts(good(wood(60, 80, -300, 300, 1500)))

    assert_equal 'not', found['train_solo'].verdict
  end
end
