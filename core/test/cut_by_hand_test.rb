# frozen_string_literal: true

require_relative 'test_helper'
require_relative '../../test/by_lot'

# Attempts that a person cut: what is refused is refused by name, what stays stays, and a recording that lacks what a
# measure needs says so instead of falling over.
class CutByHandTest < Minitest::Test
  extend ByLot

  by_lot(/_cut_in_recordings_that_lack_columns\z/)

  def flown = fly(ending: 'touchdown')
  def recut(signals = flown.signals, context = flown.context) = Fujin::Grading::Recut.new(signals, context)
  def phases(*rows) = rows.map { |id, from, to| { 'id' => id, 'start_s' => from, 'end_s' => to } }
  def own = flown.proposal.attempt.phases.map { |p| { 'id' => p.id, 'start_s' => p.start_s, 'end_s' => p.end_s } }

  def refusal(kind, *rows)
    assert_raises(Fujin::InvalidInput) { recut.propose(kind, phases(*rows)) }.problems
  end

  def test_the_same_cut_gives_the_same_measures
    events = flown.proposal.attempt.events
    again = recut.propose('straight_in_autorotation', own, events: events)

    assert_equal flown.proposal.attempt.phase_ids, again.attempt.phase_ids
    %w[collective_delay_s glide_ias_mean_kt flare_height_ft contact_sink_fpm miss_along_ft].each do |id|
      assert_in_delta flown.measure(id), again.measures.fetch(id).value, 0.2, id
    end
    assert_equal flown.proposal.overall, again.overall
  end

  def test_a_boundary_moved_moves_what_is_measured_within_it
    moved = own
    glide = moved.index { |row| row['id'] == 'glide' }
    moved[glide]['end_s'] = moved[glide + 1]['start_s'] = moved[glide]['end_s'] - 2.0
    again = recut.propose('straight_in_autorotation', moved, events: flown.proposal.attempt.events)

    assert_operator again.measures['flare_height_ft'].value, :>, flown.measure('flare_height_ft') + 30
  end

  def test_a_phase_that_the_manoeuvre_has_not_is_named_with_those_it_has
    problem, = refusal('normal_approach', ['flare', 10.0, 20.0])

    assert_equal 'flare', problem[:path]
    assert_match(/descent, termination/, problem[:message])
  end

  def test_phases_out_of_order_backwards_or_outside_are_refused_by_name
    assert_match(/before its end/, refusal('normal_approach', ['descent', 20.0, 10.0]).first[:message])
    assert_match(
      /after descent ended/,
      refusal('normal_approach', ['descent', 10.0, 20.0], ['termination', 15.0, 30.0]).first[:message]
    )
    assert_match(/inside the recording/, refusal('normal_approach', ['descent', -5.0, 20.0]).first[:message])
    assert_match(/at least one phase/, refusal('normal_approach').first[:message])
  end

  def test_a_touchdown_where_nothing_touched_is_refused
    problem, = refusal('straight_in_autorotation', ['glide', 20.0, 30.0], ['touchdown', 30.0, 34.0])

    assert_equal 'touchdown', problem[:path]
    assert_match(/no contact/, problem[:message])
  end

  # Contact is looked for two seconds either side of where touchdown was put, and a third of a second is its own room.
  def test_a_touchdown_put_near_the_contact
    at = flown.proposal.attempt.events.fetch(:contact_s)
    put = ->(from) { phases(['glide', 20.0, from], ['touchdown', from, from + 1.5]) }
    measures = recut.propose('straight_in_autorotation', put.call(at - 2.1)).measures

    assert_predicate measures['contact_sink_fpm'], :recorded?
    assert_raises(Fujin::InvalidInput) { recut.propose('straight_in_autorotation', put.call(at - 2.6)) }
  end

  def test_an_unknown_kind_is_refused
    assert_raises(Fujin::UnknownName) { recut.propose('barrel_roll', phases(['entry', 10.0, 20.0])) }
  end

  # A figure that the sortie was not for is held to the usual one; without a spot its place is not recorded.
  def test_a_turn_about_a_point_cut_in_another_sortie
    bare = Fujin::Lessons.context(conditions: flown.context.conditions, wind: flown.context.wind)
    turn = recut(flown.signals, bare).propose('turn_about_a_point', phases(['turn', 20.0, 50.0]))

    assert_equal 'not_recorded', turn.measures['turn_radius_mean_ft'].verdict
    assert_match(/marks no point/, turn.measures['turn_radius_mean_ft'].reason)
    assert_predicate turn.measures['turn_bank_off_deg'], :recorded?
  end

  COLUMNS = %w[
    lat_deg lon_deg agl_ft alt_msl_ft gs_kt track_deg ias_kt vs_fpm hdg_deg pitch_deg roll_deg nr_pct ne_pct
    collective_pct throttle_pct pedal_pct map_inhg
  ].freeze

  # With a handful of columns gone, each kind cut over the whole file in its own phases.
  Fujin::Catalogue.recorded.each do |manoeuvre|
    define_method("test_#{manoeuvre.id}_cut_in_recordings_that_lack_columns") do
      day =
        conditions(manoeuvre.kinds.include?('helicopter') ? 'tansy-2' : 'sorrel-g', wind: Fujin::Wind.parse('350/8'))
      random = Random.new(manoeuvre.id.sum)
      8.times do
        gone = COLUMNS.sample(random.rand(1..9), random: random)
        text = without(flown.csv, *gone)
        signals = signals_of(text, day, wind: random.rand < 0.5 ? day.wind : nil)
        context =
          Fujin::Lessons.context(
            conditions: day,
            spot: random.rand < 0.5 ? SPOT : nil,
            exercise: manoeuvre.id,
            planned: true
          )
        assert_said(manoeuvre, signals, context, gone)
      end
    end
  end

  # What is measured is a number, or says why it is none.
  def assert_said(manoeuvre, signals, context, gone)
    kept = manoeuvre.phases - %w[touchdown]
    width = (signals.end_s - signals.start_s) / kept.size
    cut =
      kept.each_with_index.map do |id, i|
        { 'id' => id, 'start_s' => signals.start_s + (i * width), 'end_s' => signals.start_s + ((i + 1) * width) }
      end
    proposal = Fujin::Grading::Recut.new(signals, context).propose(manoeuvre.id, cut)
    proposal.measures.each_value do |measure|
      next refute_predicate(measure.value, :nan?, "#{measure.id} without #{gone.join(', ')}") if measure.recorded?

      refute_empty measure.reason.to_s, "#{measure.id} without #{gone.join(', ')}"
    end
  end
end
