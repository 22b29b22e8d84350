# frozen_string_literal: true

require_relative 'test_helper'

# Contact on made-up descents whose truth is known in closed form.
class ContactTest < Minitest::Test
  # A descent that meets the ground at 20 s with a sink (feet a second) after slowing at a rate, seen with noise and
  # lag.
  def signals(sink:, slowing: 0.0, noise: 0.0, rate: 10.0, lag: 0.7, zero: 0.0, vertical_speed: true, seed: 1)
    random = Random.new(seed)
    shown = nil
    rows =
      (0..(30 * rate)).map do |i|
        t = i / rate
        before = [20.0 - t, 0.0].max
        climb = t < 20 ? -(sink + (slowing * before)) : 0.0
        height = (sink * before) + (0.5 * slowing * before * before)
        shown = shown ? shown + ((climb - shown) * (1 - Math.exp(-1 / (rate * lag)))) : climb
        [
          t.round(3),
          (height + zero + (noise * normal(random))).round(3),
          (60 * shown).round,
          t < 20 ? 30 : [30 - ((t - 20) * 6), 0].max,
          2.0
        ]
      end
    csv = "t_s,agl_ft,vs_fpm,gs_kt,collective_pct\n#{rows.map { |row| row.join(',') }.join("\n")}\n"
    csv = without(csv, 'vs_fpm') unless vertical_speed
    Fujin::Recordings::Signals.new(Fujin::Recordings.read(csv), type: type, atmosphere: Fujin::Atmosphere.new)
  end

  def normal(random) = Math.sqrt(-2 * Math.log(1 - random.rand)) * Math.cos(2 * Math::PI * random.rand)
  def contact(**options) = Fujin::Grading::Contact.find(signals(**options), 10.0, 30.0)

  def test_a_steady_sink
    [2.0, 4.0, 8.0].each do |sink|
      found = contact(sink: sink)

      assert_in_delta 20.0, found.time_s, 0.08, "#{sink} ft/s"
      assert_in_delta 60 * sink, found.sink_fpm, 40, "#{sink} ft/s"
    end
  end

  def test_a_cushioned_sink
    found = contact(sink: 2.5, slowing: 3.0)

    assert_in_delta 20.0, found.time_s, 0.15
    assert_in_delta 150, found.sink_fpm, 45
  end

  def test_noise_is_averaged_out
    errors = (1..12).map { |seed| contact(sink: 3.0, slowing: 2.0, noise: 0.35, seed: seed).sink_fpm - 180 }

    assert_operator errors.count { |e| e.abs < 100 }, :>=, 11
    assert_operator (errors.sum / errors.size).abs, :<, 50
  end

  # Heights alone that tremble by more than a foot, smoothed as they are by then, tell no sink.
  def test_how_rough_heights_alone_may_be
    fine, rough = [1.4, 1.75].map { |noise| contact(sink: 4.0, noise: noise, vertical_speed: false) }

    assert_nil fine.reason
    refute_predicate fine.sink_fpm, :nan?
    assert_match(/tremble by ±1\.\d ft/, rough.reason)
    assert_predicate rough.sink_fpm, :nan?
    assert_nil contact(sink: 4.0, noise: 1.75).reason, 'a vertical speed stands beside them'
  end

  def test_heights_alone_are_enough
    found = contact(sink: 4.0, vertical_speed: false)

    assert_equal %i[agl], found.sources
    assert_in_delta 240, found.sink_fpm, 25
  end

  def test_the_zero_of_the_height_is_taken_off
    [-2.0, 4.0].each do |zero|
      found = contact(sink: 4.0, zero: zero)

      assert_in_delta 20.0, found.time_s, 0.1, "zero #{zero}"
    end
  end

  def test_the_lag_of_the_vertical_speed_is_found
    [0.3, 0.7, 1.2].each do |lag|
      found = signals(sink: 3.0, slowing: 1.5, lag: lag)

      assert_in_delta lag, Fujin::Grading::VerticalSpeedLag.estimate(found, 8.0, 26.0), 0.25
    end
  end

  def test_a_low_pass_that_never_touches_is_no_contact
    rows = (0..300).map { |i| "#{i / 10.0},#{4 + (0.3 * Math.sin(i / 5.0))},0,20,30" }
    csv = "t_s,agl_ft,vs_fpm,gs_kt,collective_pct\n#{rows.join("\n")}\n"
    found = Fujin::Recordings::Signals.new(Fujin::Recordings.read(csv), type: type, atmosphere: Fujin::Atmosphere.new)

    assert_nil Fujin::Grading::Contact.find(found, 0.0, 30.0)
  end

  def test_one_stray_low_sample_is_no_contact
    rows = (0..300).map { |i| "#{i / 10.0},#{i == 150 ? 0.1 : 5.0},0,20,30" }
    csv = "t_s,agl_ft,vs_fpm,gs_kt,collective_pct\n#{rows.join("\n")}\n"
    found = Fujin::Recordings::Signals.new(Fujin::Recordings.read(csv), type: type, atmosphere: Fujin::Atmosphere.new)

    assert_nil Fujin::Grading::Contact.find(found, 0.0, 30.0)
  end

  # The model's own touchdowns, soft ones and hard ones, with the recorder's noise: nine in ten within 100 ft/min.
  def test_sink_at_contact_of_flown_touchdowns
    flown =
      %w[tansy-2 bracken-2 yarrow-4]
        .product([{}, { 'weak_cushion' => 0.6 }, { 'late_flare' => 20.0 }], [3, 4])
        .map { |id, faults, seed| fly(id: id, ending: 'touchdown', faults: faults, seed: seed) }
    errors = flown.map { |f| f.measure('contact_sink_fpm') - (f.run.contact[:sink_m_s] / Q::FPM) }

    assert_operator errors.count { |e| e.abs <= 100 }, :>=, (0.9 * errors.size).ceil, errors.map(&:round).inspect
  end
end
