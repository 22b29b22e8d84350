# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'written_flight'

# How far a measure may be off: from the trembling of this file, what such recorders are off by, and the moments that
# are not known better than the samples are apart.
class UncertaintyTest < Minitest::Test
  NINE = 1.645

  def normal(seed) = Random.new(seed).then { |random| -> { Fujin::NormalRandom.draw(random) } }

  def test_what_a_channel_trembles_by_is_found_in_it
    draw = normal(1)
    waving = Array.new(3000) { |i| (40.0 * Math.sin(i / 80.0)) + (0.5 * draw.call) }

    assert_within 0.5, Fujin::Recordings::ChannelNoise.sd(waving, 0.1), 15
    assert_in_delta 0.0, Fujin::Recordings::ChannelNoise.sd([60.0] * 500, 0.1)
  end

  # A ramp written in whole feet hides a twelfth of a foot squared; what changed once tells no step.
  def test_what_rounding_hides
    ramp = Array.new(2000) { |i| (i * 0.053).round.to_f }
    once = Array.new(2000) { |i| i < 1000 ? 350.0 : 20.0 }

    assert_within 1.0 / Math.sqrt(12.0), Fujin::Recordings::ChannelNoise.sd(ramp, 0.1), 5
    assert_in_delta 0.0, Fujin::Recordings::ChannelNoise.sd(once, 0.1)
  end

  def test_eight_tries_of_every_source_are_a_normal_distribution
    ias, nr = %i[ias nr].map { |source| Array.new(8) { |try| Fujin::Stratified.new(try).deviate(source) } }

    [ias, nr].each do |all|
      assert_in_delta 0.0, all.sum, 1e-9
      assert_in_delta 1.0, Math.sqrt(all.sum { |v| v * v } / 7.0), 0.01
    end
    refute_equal ias, nr
    assert_equal ias.sort, nr.sort
  end

  # A rotor whose speed was not recorded turns as it is governed to, within three percent nine times of ten.
  def test_an_unrecorded_rotor_speed_is_the_governed_one
    signals = signals_of(WrittenFlight.new(20.0) { {} }.csv, conditions)
    shares = Array.new(8) do |try|
      signals.rerecorded(10.0, 12.0, Fujin::Stratified.new(try), Random.new(1)).unrecorded_rpm_share
    end

    assert_in_delta 1.0, shares.sum / 8.0, 1e-9
    assert_in_delta 0.03 / NINE, Math.sqrt(shares.sum { |share| (share - 1.0)**2 } / 7.0), 0.001
  end

  # Level at 60 kt and 800 ft; the glide is only a stretch of it.
  def glide(noise_kt: 0.0, every: 1, sink_fpm: 0.0)
    draw = normal(2)
    flight = WrittenFlight.new(60.0, step_s: 0.1 * every) do |t|
      kt = 60.0 + (noise_kt * draw.call)
      { 'agl_ft' => 800.0 - (sink_fpm / 60.0 * t), 'gs_kt' => 60.0, 'ias_kt' => kt, 'collective_pct' => 0.0 }
    end
    flight.measured('straight_in_autorotation', { 'entry' => [5.0, 10.0], 'glide' => [10.0, 50.0] },
                    course_deg: 350.0).measures
  end

  # A mean of 400 samples trembles no more: what is left is what the instrument is off by, 1.2 kt in 9 of 10.
  def test_a_mean_is_as_sure_as_its_instrument
    share = Fujin::Grading::Spread::STUDENT.fetch(8) / NINE * Fujin::Grading::Spread::WIDER

    assert_within 1.2 * share, glide.fetch('glide_ias_mean_kt').uncertainty, 3
    assert_within 1.2 * share, glide(noise_kt: 1.0).fetch('glide_ias_mean_kt').uncertainty, 8
  end

  # The lowest of many trembling samples lies under what was flown, and the range says so: more of it lies above.
  def test_an_extreme_of_a_trembling_channel_is_put_right
    lowest = glide(noise_kt: 3.0).fetch('glide_ias_min_kt')

    assert_operator lowest.value, :<, 59.0
    assert_operator lowest.high - lowest.value, :>, lowest.value - lowest.low
    assert_operator lowest.high, :>, 60.0 - 1.2
  end

  # In a steady descent of 1,500 ft/min a height changes by 25 ft a second: the moment is what it hangs on.
  def test_a_slow_recorder_knows_a_height_in_a_descent_less_well
    quick, slow = [1, 10].map { |every| glide(every: every, sink_fpm: 700.0).fetch('entry_height_ft').uncertainty }

    assert_operator slow, :>, 3.0 * quick
    # 0.45 of a second at 700 ft/min in 9 of 10, stretched for the few tries and for what lies between the samples.
    stretched = Fujin::Grading::Spread.then { |s| s::STUDENT.fetch(8) / NINE * s::WIDER * (1.0 + (s::WIDER_PER_S * 0.9)) }
    assert_within 0.45 * 700.0 / 60.0 * stretched, slow, 15
  end

  def judged(value, low, high, id: 'glide_ias_mean_kt', barometer: false)
    declared = Fujin::Catalogue.find('straight_in_autorotation')
    about = Fujin::Lessons.context(conditions: conditions, stage: 'solo', exercise: declared.id)
    unit = Fujin::Glossary.measure(id).unit
    taken = { id => Fujin::Grading::Measure.new(id: id, phase: 'glide', value: value, unit: unit) }
    targets = about.targets.merge('lowest_rotor_rpm_pct' => 88.0)
    Fujin::Grading::Judging.new(about, declared, targets, barometer: barometer)
      .judged(taken, { id => [low, high] }).fetch(id)
  end

  # The house's glide, solo: 7 kt either side, so that 14 kt are all that it lets pass.
  def test_a_range_as_wide_as_the_standard_has_no_verdict_and_one_three_times_as_wide_is_nothing
    glide = conditions.trim.then { Fujin::Lessons.context(conditions: conditions, stage: 'solo').glide_speed_kt }

    sure, turned, wide, nothing =
      [1.0, 6.5, 7.5, 22.0].map { |half| judged(glide + 2.0, glide + 2.0 - half, glide + 2.0 + half) }

    assert_equal ['polished', false], [sure.verdict, sure.too_close]
    assert_equal ['polished', true], [turned.verdict, turned.too_close]
    assert_nil wide.verdict
    refute_nil wide.value
    assert_equal ['not_recorded', nil], [nothing.verdict, nothing.value]
    assert_match(/wider than anything/, nothing.reason)
  end

  # However wide: far out with all of it is out.
  def test_a_wide_range_that_is_out_with_all_of_it_is_out
    assert_equal 'out', judged(140.0, 120.0, 160.0).verdict
  end

  def test_critical_only_with_the_whole_range_and_never_by_a_barometer
    id = 'recovery_min_height_ft'

    assert judged(-1.0, -1.5, -0.5, id: id).critical
    refute judged(-1.0, -2.5, 0.5, id: id).critical
    refute judged(-1.0, -1.5, -0.5, id: id, barometer: true).critical
  end

  # Where the nose pointed is not known from where it went.
  # What trying again cannot see is more where the height is a barometer's: sinks say so, and with positions alone the
  # contact's measures too.
  def test_what_no_trial_sees_is_more_where_the_height_is_a_barometers
    landed = fly(ending: 'touchdown')
    house = Fujin::Planning::HouseMethod.new('ending' => 'touchdown')
    lacking = [[], %w[agl_ft], %w[agl_ft ias_kt]].map do |columns|
      csv = columns.reduce(landed.csv) { |all, column| without(all, column) }
      grade_csv(csv, house: house).proposals.first.measures
    end
    half = ->(id) { lacking.map { |measures| measures.fetch(id).uncertainty } }
    estimated = ->(id) { Fujin::Glossary.measure(id).uncertainty_estimated }

    whole, barometer, alone = half.call('gate_sink_fpm')
    assert_operator whole, :<, estimated.call('gate_sink_fpm')
    [barometer, alone].each { |room| assert_operator room, :>=, estimated.call('gate_sink_fpm') }
    whole, _, alone = half.call('contact_groundspeed_kt')
    assert_operator whole, :<, estimated.call('contact_groundspeed_kt')
    assert_operator alone, :>=, estimated.call('contact_groundspeed_kt')
  end

  def test_a_track_is_no_heading
    flown = fly(ending: 'touchdown', faults: { 'drift_at_contact' => 3.0 })
    found = grade_csv(without(flown.csv, 'hdg_deg')).proposal

    %w[contact_drift_kt contact_yaw_deg entry_yaw_deg trim_deg].each do |id|
      measure = found.measures.fetch(id)

      assert_equal 'not_recorded', measure.verdict, id
      assert_match(/does not tell where the nose points/, measure.reason, id)
    end
    assert_equal flown.proposal.attempt.manoeuvre, found.attempt.manoeuvre
  end

  def test_a_sample_a_second_does_not_show_how_far_the_nose_swung
    measure = fly(rate_hz: 1.0, ending: 'touchdown').proposal.measures.fetch('entry_yaw_deg')

    assert_equal 'not_recorded', measure.verdict
    assert_match(/too seldom/, measure.reason)
  end

  # Pitch that runs up to 8° until the skids meet the ground and falls to 0 at once: 8° it was.
  def test_what_it_came_to_at_a_contact_is_not_smoothed_across_it
    csv = WrittenFlight.new(20.0) { |t| { 'pitch_deg' => t <= 10.0 ? t - 2.0 : 0.0 } }.csv

    assert_in_delta 8.0, signals_of(csv).up_to(:pitch, 10.0), 0.01
    assert_operator signals_of(csv).at(:pitch, 10.0), :<, 6.0
  end
end
