# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'site_help'

# What was found at one site and may hold at the next.
class SiteNeighboursTest < Minitest::Test
  include SiteHelp

  # Another ground a kilometre north of the meadow, with its own things.
  def barn(*more, north: 1000)
    corners = [[-40, -30], [40, -30], [40, 30], [-40, 30]].map { |n, e| [n + north, e] }
    site(feature('site', 'Polygon', ring(*corners), name: 'Barn field', elevation_ft: 340, surface: 'grass'), *more)
  end

  def suggested(other, *mine) = Fujin::Sites::Neighbours.new(site(ground, spot, *mine), [other]).suggestions

  def test_what_stands_within_reach_and_is_not_drawn_here_is_suggested
    found = suggested(barn(tree(300, 400, 60, id: 'elm'), tree(2000, 0, 60, id: 'far')))

    assert_equal([%w[stands elm]], found.map { |one| [one.kind, one.id] })
    # A 3-4-5 triangle: 500 m, to 053°.
    assert_in_delta 500, found[0].off_m, 1.0
    assert_in_delta 53.13, found[0].bearing_deg, 0.2
    assert_match(/elm, drawn at Barn field: 1640 ft to the 053, and not in this survey/, found[0].text)
    assert_empty suggested(barn(tree(300, 400, 60, id: 'elm')), tree(303, 402, 50, id: 'mine'))
  end

  # From 1,900 m north it comes down to 1,700; straight on south it passes 60 m east of the spot.
  def test_a_wire_whose_end_was_not_seen_runs_on_to_here
    seen = barn(wire([1900, 60], [1700, 60], 40, ends: %w[seen seen]))
    open = barn(wire([1900, 60], [1700, 60], 40, ends: %w[seen not_seen]))
    away = barn(wire([1700, 60], [1900, 60], 40, ends: %w[seen not_seen]))

    assert_empty suggested(seen)
    assert_empty suggested(away)
    assert_equal ['runs_on'], suggested(open).map(&:kind)
    assert_in_delta 60, suggested(open)[0].off_m, 1.0
    assert_empty suggested(open, wire([80, 70], [-80, 70], 40, id: 'mine'))
  end

  def test_notes_on_air_and_light_are_passed_on_others_are_not
    note = ->(group, about) {
      feature('survey_point', 'Point', place(1000, 0), id: "#{group}-#{about}", group: group, about: about, pass: 'low',
                                                       status: 'seen', note: 'sinks behind the wood')
    }
    found = suggested(barn(note.call('air_and_light', 'lee'), note.call('ground', 'size')))

    assert_equal([%w[noted lee]], found.map { |one| [one.kind, one.about] })
    assert_match(/0\.5 nm away: “sinks behind the wood” Does it hold here\?/, found[0].text)
  end

  def test_sites_beyond_ten_kilometres_say_nothing
    assert_empty suggested(barn(tree(10_500, 0, 60), north: 10_600))
  end

  def test_a_recording_shows_only_what_was_recorded
    evidence = Fujin::Manoeuvres::Confined::SurveyEvidence
    measures = { 'tail_clearance_ft' => { 'value' => 14.0 }, 'obstacle_clearance_ft' => { 'value' => nil },
                 'hover_height_ft' => { 'value' => 5.0 } }

    assert_equal(%w[lines.end lines.manoeuvring], evidence.of(measures).keys.sort)
  end

  # Every point it speaks of is asked for, every measure is one of the manoeuvres'.
  def test_what_is_shown_by_recordings_is_asked_and_measured
    measured = Fujin::Catalogue.find('confined_area').measures.values.flatten
    Fujin::Manoeuvres::Confined::SurveyEvidence::SHOWN_BY.each do |point, ids|
      assert_includes Fujin::Sites::Survey::REQUIRED.flat_map { |group, all|
        all.map { |about|
          "#{group}.#{about}"
        }
      }, point
      assert_empty ids - measured
    end
  end
end
