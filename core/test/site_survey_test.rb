# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'site_help'

# A student's survey beside the school's, and the lines that Fujin proposes.
class SiteSurveyTest < Minitest::Test
  include SiteHelp

  def compared(school, student)
    Fujin::Sites::SurveyComparison.new(site(ground, *school), site(ground, *student))
  end

  SCHOOL = ->(test) do
    [test.tree(60, 0, 40, id: 'oak'), test.wire([90, -50], [90, 50], 30), test.wood(-90, -60, -40, 40, 50),
     test.answers]
  end

  def test_everything_seen_alike_is_the_best_survey
    found = compared(SCHOOL.call(self), [tree(63, 4, 44, id: 'a', pass: 'low'),
                                         wire([95, -40], [95, 45], 34, id: 'b', pass: 'low'),
                                         wood(-88, -62, -30, 38, 55, id: 'c', pass: 'low'), answers])

    assert_equal %w[found], found.obstacles.map(&:verdict).uniq
    assert_equal %w[same], found.points.map(&:verdict).uniq
    assert_equal 4, found.proposed_level
  end

  # Every question of the survey has its words; what somebody drew is called what they called it.
  def test_what_is_open_is_said_in_words
    spoken = Fujin::Sites::Spoken
    Fujin::Sites::Survey::REQUIRED.each do |group, abouts|
      assert_equal abouts, spoken::QUESTIONS.fetch(group).keys
    end

    assert_equal 'wires', spoken.of('obstructions-wire')
    assert_equal 'the last point to break off', spoken.of('lines.break_off-low')
    assert_equal 'wire south', spoken.of('wire-south')
    assert_equal 'obstructions left', spoken.of('obstructions-left')
    assert_equal 'wires, wire south and slope', spoken.list(%w[obstructions-wire wire-south ground-slope])
    assert_equal ['', 'wires'], [spoken.list([]), spoken.list(%w[obstructions-wire obstructions-wire-high])]
  end

  # 40 ft within a foot against 60 ft within 6: apart. 15 m, half a metre and 5 m away at most it is the same tree.
  def test_heights_that_cannot_both_be_right_are_told
    found = compared([tree(60, 0, 40, id: 'oak'), answers], [tree(62, 0, 60, id: 'a', pass: 'low'), answers])

    assert_equal([['oak', 'height', 40, 60]], found.obstacles.map do |row|
      [row.id, row.verdict, row.school.round, row.student.round]
    end)
    away = compared([tree(60, 0, 40, id: 'oak'), answers], [tree(60, 27, 40, id: 'a', pass: 'low'), answers])

    assert_equal([%w[oak missed], %w[a extra]], away.obstacles.map { |row| [row.id, row.verdict] })
  end

  # A tree and a wood are one thing to the eye where they stand in one place, and so are a pole and a mast; no others.
  def test_kinds_that_are_one_thing_to_the_eye
    poles = %w[pole mast].map { |what| tree(60, 0, 40, what: what) }
    alike = [[tree(60, 0, 40), wood(50, 70, -10, 10, 40)], poles]

    [*alike, *alike.map(&:reverse)].each do |one, other|
      assert_equal %w[found], compared([one, answers], [other, answers]).obstacles.map(&:verdict)
    end
    assert_equal(%w[missed extra], compared([tree(60, 0, 40), answers], [poles[0], answers]).obstacles.map(&:verdict))
    assert_equal(%w[missed extra], compared([poles[1], answers], [wood(50, 70, -10, 10, 40), answers])
      .obstacles.map(&:verdict))
  end

  def test_a_missed_wire_is_below_standard_whatever_else_was_seen
    wire_missed = compared(SCHOOL.call(self), [tree(60, 0, 40), wood(-90, -60, -40, 40, 50), answers])
    tree_missed = compared(SCHOOL.call(self), [wire([90, -50], [90, 50], 30), wood(-90, -60, -40, 40, 50), answers])
    denied = compared([answers(wire: 'open')], [answers(wire: 'not_there')])

    assert_equal 1, wire_missed.proposed_level
    assert_equal 3, tree_missed.proposed_level
    assert_equal 1, denied.proposed_level
  end

  # Two small misses are a good survey, three an adequate one, six a weak one.
  def test_what_is_left_out_lowers_the_level
    level = ->(*left) { compared([answers], [answers(*left)]).proposed_level }

    assert_equal [4, 3, 2, 2, 1], [level.call, level.call('sun', 'lee'), level.call('sun', 'lee', 'size'),
                                   level.call('sun', 'lee', 'size', 'slope', 'wind'),
                                   level.call('sun', 'lee', 'size', 'slope', 'wind', 'pole')]
  end

  # Into the north wind, and over the gap in a ring of trees.
  def test_lines_are_proposed_into_the_wind_and_where_it_is_clear
    ring_of_trees = [wood(60, 90, -90, 90, 60, id: 'n'), wood(-90, -60, -90, 90, 60, id: 's'),
                     wood(-60, 60, -90, -60, 60, id: 'w')]
    today = day(site(ground, spot, *ring_of_trees), '360/10')
    found = Fujin::Manoeuvres::Confined::Proposals.new(today, today.site.spots[0])
    into, clear = %w[into_wind clearest].map { |why| found.departures.find { |one| one.why.include?(why) }.flown }

    assert_in_delta 0.0, into.course_deg, 0.1
    assert_includes 60..120, clear.course_deg.round
    assert_includes 240..300, found.approaches.find { |one| one.why.include?('clearest') }.flown.course_deg.round
    [*found.approaches, *found.departures].each do |one|
      assert_in_delta 700.0, (one.flown.line.points.last - one.flown.line.points.first).abs, 0.1, one.flown.line.id
    end
  end
end
