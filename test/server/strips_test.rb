# frozen_string_literal: true

require_relative '../server_helper'
require_relative '../../core/test/scripted_flight'

# The channels on the screen: bins, every sample, and that they are those that were measured.
class StripsTest < Minitest::Test
  include ServerHelp

  def test_strips_keep_the_least_and_the_greatest_of_every_bin
    attempt = imported(@sortie).first
    get "/api/attempts/#{attempt.id}/strips?bins=20"
    strip = answer['strips'].find { |s| s['channel'] == 'nr_pct' }
    get "/api/attempts/#{attempt.id}/strips?bins=4000"
    fine = answer['strips'].find { |s| s['channel'] == 'nr_pct' }

    assert_operator strip['points'].size, :<=, 21
    assert_in_delta fine['points'].map { |p| p[1] }.min, strip['points'].map { |p| p[1] }.min, 1e-9
    assert_in_delta fine['points'].map { |p| p[2] }.max, strip['points'].map { |p| p[2] }.max, 1e-9
  end

  def test_the_whole_flight_holds_every_sample
    attempt = imported(@sortie, faults: [{}]).first
    as(@student)
    get "/api/recordings/#{attempt.recording_id}/series"
    values = ->(text) { text.unpack1('m').unpack('e*') }
    rotor = answer['strips'].find { |strip| strip['channel'] == 'nr_pct' }

    assert_equal answer['samples'], values.call(answer['times']).size
    assert_in_delta 0.0, values.call(answer['times']).first
    assert_in_delta attempt.proposal['measures']['min_rotor_rpm_pct']['value'], values.call(rotor['values']).min, 1.0
    assert_equal([1], answer['attempts'].map { |row| row['position'] })
    as(@other)
    get "/api/recordings/#{attempt.recording_id}/series"

    assert_equal 404, status
  end

  # Behind the strip stands what the standard lets pass, not what the recording leaves open.
  def test_a_strip_s_band_is_the_standard_s
    attempt = imported(@sortie).first
    get "/api/attempts/#{attempt.id}/strips?bins=20"
    band = answer['strips'].find { |s| s['channel'] == 'ias_kt' }['bands'].find { |b| b['phase'] == 'glide' }
    measure = attempt.proposal['measures']['glide_ias_mean_kt']

    assert_equal measure.values_at('target', 'target').zip([-7.0, 7.0]).map(&:sum), band.values_at('low', 'high')
    assert_operator measure['high'] - measure['low'], :<, 5.0
    assert_in_delta (measure['high'] - measure['low']) / 2.0, measure['uncertainty'], 0.01
  end

  # A highest pitch is reached once: its limits are lines, and no share of the time is told of it.
  def test_limits_of_one_moment_are_lines_and_no_band_to_stay_in
    attempt = imported(@sortie).first
    get "/api/attempts/#{attempt.id}/strips?bins=20"
    bands = answer['strips'].to_h { |strip| [strip['channel'], strip['bands']] }
    told = ->(channel, phase) { bands[channel].find { |one| one['phase'] == phase }.values_at('line', 'in_band_pct') }

    assert_equal [true, nil], told.call('pitch_deg', 'flare')
    assert_equal [true, nil], told.call('nr_pct', 'flare')
    assert_equal [true, nil], told.call('ias_kt', 'entry')
    refute told.call('ias_kt', 'glide').first
    assert_includes 0..100, told.call('ias_kt', 'glide').last
  end

  # What is asked is a share of the time in the type's band; the band is the type's, not the share on the rotor's scale.
  def test_a_share_of_the_time_draws_the_band_that_it_is_a_share_of
    attempt = imported(@sortie).first
    measure = attempt.proposal['measures']['glide_ias_mean_kt'].merge('band_low' => 80.0, 'band_high' => nil)
    attempt.update!(proposal: attempt.proposal.merge('measures' => { 'rpm_in_band_pct' => measure }))
    get "/api/attempts/#{attempt.id}/strips?bins=20"
    band = answer['strips'].find { |strip| strip['channel'] == 'nr_pct' }['bands'].first

    assert_equal Fujin::Aircraft::Library.find('tansy-2').power_on_band, band.values_at('low', 'high')
  end

  # By what it is flown: a gyroplane has no collective.
  def test_a_gyroplane_shows_its_stick_and_throttle
    gyro = Fujin::AircraftRow.create!(mark: 'Q-GYRO', type_id: 'sorrel-g')
    flying = sortie(aircraft: gyro, manoeuvre: 'gyro_take_off', fuel_kg: 20, people_aboard: 'solo')
    flight = ScriptedFlight.new.leg(5, nr_pct: 0.0).leg(20, nr_pct: 62.0).leg(9, gs_kt: 30.0, nr_pct: 90.0)
      .leg(4, gs_kt: 38.0, nr_pct: 100.0, pitch_deg: 9.0).leg(42, gs_kt: 50.0, agl_ft: 70.0, pitch_deg: 4.0)
    as(@instructor)
    upload(flying, flight.csv)
    work_off
    attempt = flying.reload.attempts.first
    channels = -> do
      get "/api/attempts/#{attempt.id}/strips?bins=20"
      answer['strips'].map { |strip| strip['channel'] }
    end

    assert_equal %w[nr_pct ias_kt sink_fpm agl_ft power throttle_pct stick_pct pitch_deg hdg_deg], channels.call
    # As a recording has it that was read before.
    kept = attempt.recording.summary
    fewer = kept.merge('measured' => kept['measured'].merge('strips' => kept['measured']['strips'].except('stick_pct')))
    attempt.recording.update!(summary: fewer)

    assert_includes channels.call, 'stick_pct'
    imported(@sortie)
    attempt = @sortie.reload.attempts.first

    assert_includes channels.call, 'collective_pct'
    refute_includes channels.call, 'stick_pct'
  end

  # Not the recorded column, nor smoothed another way: the signals that the measures were taken from.
  def test_strips_show_what_was_measured
    attempt = imported(@sortie).first
    setting = Fujin::SortieSetting.new(@sortie)
    signals = Fujin::StoredSignals.of(attempt.recording, setting)
    get "/api/attempts/#{attempt.id}/strips?bins=4000"
    { 'sink_fpm' => :sink, 'nr_pct' => :nr, 'ias_kt' => :ias }.each do |channel, name|
      points = answer['strips'].find { |strip| strip['channel'] == channel }['points']

      assert_operator points.size, :>, 300
      points.each { |t, low, _| assert_in_delta signals.at(name, t), low, 0.51, "#{channel} at #{t} s" if low }
    end
  end
end
