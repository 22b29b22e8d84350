# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'followed'

# A flight followed as it is sent: samples out of sentences cut anywhere, phases, bands, the gate's call.
class LiveTest < Minitest::Test
  include Followed

  Live = Fujin::Live
  Nmea = Fujin::Recordings::Nmea
  BEGAN = Time.utc(2026, 11, 25, 10, 0, 0)

  def samples(**options) = samples_of(fly(ending: 'power_recovery', **options).csv)

  def sentences(samples)
    samples.map do |sample|
      Nmea
        .sentences(
          sample.merge('rotor_rpm' => sample['nr_pct'] * 49.8 * 60.0 / (2.0 * Math::PI) / 100.0),
          BEGAN + sample['t_s']
        )
        .map { |line| "#{line}\r\n" }
        .join
    end
  end

  def context(stage: 'solo') =
    Fujin::Lessons.context(conditions: conditions(wind: Fujin::Wind.parse('350/8')), stage: stage, planned: true,
                           exercise: 'straight_in_autorotation', spot: SPOT, course_deg: 350.0)

  def exercise(context) = Fujin::Lessons::Exercise.new(id: context.exercise, context: context)

  # Readings of a whole flight, times from its start; followed once.
  FOLLOWED = {} # rubocop:disable Style/MutableConstant

  def followed(samples, context: self.context)
    FOLLOWED[[samples.hash, context.stage]] ||= follow(samples, context)
  end

  def follow(samples, context)
    stream = Live::NmeaStream.new
    readings_of(sentences(samples).flat_map { |text| stream.take(text) }, exercise(context))
  end

  def at(reading) = reading.t_s - BEGAN.to_f

  def first(readings, phase) =
    at(readings.find { |r| r.phase == phase } || flunk("no #{phase}: #{readings.map(&:phase).uniq}"))

  def calls(readings)
    readings.filter_map(&:gate).select do |gate|
      gate.title == 'Gate'
    end.map(&:call).chunk_while { |a, b| a == b }.map(&:first)
  end

  def test_phases_come_as_the_debrief_will_find_them
    flown = fly
    readings = followed(samples)
    found = flown.proposal.attempt

    # Some seconds into the hover it is over.
    assert_equal [nil, 'entry', 'glide', 'flare', 'recovery', nil],
                 readings.map(&:phase).chunk_while { |a, b| a == b }.map(&:first)
    # The debrief looks two seconds ahead for what stays as it is; in flight there is nothing ahead to look at.
    { 'entry' => 0.6, 'glide' => 2.9, 'flare' => 1.5, 'recovery' => 2.0 }.each do |phase, late_s|
      assert_includes (-0.5..late_s), first(readings, phase) - found.phase(phase).start_s, phase
    end
  end

  def test_what_is_shown_is_what_is_measured
    readings = followed(samples)
    gliding = readings.select { |r| r.phase == 'glide' && r.gate.nil? }.last(50)
    mean = ->(name) { gliding.sum { |r| r.values.fetch(name) } / gliding.size }

    assert_in_delta fly.measure('glide_ias_mean_kt'), mean.call('ias_kt'), 2.0
    assert_in_delta fly.measure('glide_rotor_rpm_mean_pct'), mean.call('rotor_rpm_pct'), 0.7
    assert_in_delta fly.measure('glide_sink_fpm'), mean.call('sink_fpm'), 120.0
    assert_equal %w[ias_kt rotor_rpm_pct sink_fpm], gliding.first.bands.keys.sort
  end

  # The bands of a phase are the standard's own.
  def test_the_bands_are_what_the_phase_is_graded_by
    reading = followed(samples).find { |r| r.phase == 'glide' }
    held = fly.proposal.measures.fetch('glide_ias_mean_kt').band

    assert_equal held.in, reading.bands['ias_kt']
    assert_equal fly.proposal.measures.fetch('glide_sink_fpm').band.in.map(&:round),
                 reading.bands['sink_fpm'].map(&:round)
  end

  def test_a_good_gate_is_called_ahead_and_then_continue
    readings = followed(samples)

    assert_equal %w[ahead continue], calls(readings)
    called = readings.find { |r| r.gate&.call == 'continue' }

    assert_in_delta context.gate_height_ft, called.values['height_ft'], 5.0
    assert_operator at(called) - at(readings.find { |r| r.gate&.call == 'ahead' }), :>, 3.0
  end

  def test_a_slow_gate_is_a_go_around_and_says_which_number
    gate = followed(samples(faults: { 'slow_glide' => 15.0 })).filter_map(&:gate).find { |g| g.call == 'go_around' }

    refute_nil gate
    assert_match(/airspeed 4\d kt, 56 to 70/, gate.reasons.join('; '))
    assert_equal 'Go around: throttle, then collective', gate.say
  end

  # The same flight held to a stage that allows more.
  def test_the_stage_decides_what_is_in_band
    nine_slow = samples(faults: { 'slow_glide' => 9.0 })

    assert_equal 'go_around', calls(followed(nine_slow, context: context(stage: 'test'))).last
    assert_equal 'continue', calls(followed(nine_slow, context: context(stage: 'early'))).last
  end

  def test_what_is_not_sent_is_never_called_good
    without_speed = samples.map { |sample| sample.except('ias_kt') }
    readings = followed(without_speed)

    assert_equal %w[ahead not_recorded], calls(readings)
    assert_equal ['airspeed is not sent'], readings.filter_map(&:gate).find { |gate|
      gate.call == 'not_recorded'
    }.reasons
    assert(readings.all? { |r| r.values['ias_kt'].nil? && r.bands['ias_kt'].nil? })
  end

  def test_sentences_cut_anywhere_make_the_same_samples
    bytes = sentences(samples.first(60)).join
    whole = Live::NmeaStream.new.take(bytes)
    stream = Live::NmeaStream.new
    random = Random.new(5)
    pieces = []
    rest = bytes.dup
    pieces << rest.slice!(0, random.rand(1..90)) until rest.empty?

    assert_equal(whole, pieces.flat_map { |piece| stream.take(piece) })
    assert_operator whole.size, :>=, 59
    assert_in_delta samples[10]['ias_kt'], whole[10]['ias_kt'], 0.01
  end

  # A sample is not kept waiting for the one after it.
  def test_a_complete_sample_is_handed_on_at_once
    stream = Live::NmeaStream.new
    texts = sentences(samples.first(5))
    stream.take(texts[0])
    stream.take(texts[1])

    assert_in_delta BEGAN.to_f + samples[2]['t_s'], stream.take(texts[2]).last['t_s'], 1e-3
  end

  def test_broken_sentences_and_impossible_readings_are_left_out
    stream = Live::NmeaStream.new
    texts = sentences(samples.first(4))
    bad = texts[1].sub('HEHDT,3', 'HEHDT,9')
    wild = [Nmea.sentence(['YXXDR', 'G', 9999.0, '', 'IAS'])].map { |line| "#{line}\r\n" }.join
    found = stream.take(texts[0] + bad + texts[2].sub(/\$YXXDR.*?\r\n/, wild) + texts[3])

    assert_equal 1, stream.broken
    refute(found.any? { |sample| sample['ias_kt'].to_f > 500 })
  end

  # What is said of a phase while it goes on is of that phase.
  def test_what_is_told_so_far_is_of_the_phase_that_goes_on
    window = Live::FlightWindow.new(context, [exercise(context)])
    seen = Live::UnderwaySeen.new([exercise(context)], context, window)
    told = samples.filter_map do |sample|
      window.take(sample)
      seen.look('straight_in_autorotation') if (sample['t_s'] % 4.0).abs < 1e-6
    end

    refute_empty told.flat_map(&:so_far)
    told.each { |watched| assert_empty watched.so_far.map(&:phase).uniq - [watched.phase] }
  end

  # Looked at again after 0.4 s; where an attempt has gone on for long, and so much is to be looked at, more seldom.
  def test_how_often_it_is_looked_for
    going = samples.take_while { |sample| sample['t_s'] < 40.0 }
    asked = ->(began_before_s) do
      window = Live::FlightWindow.new(context, [exercise(context)])
      going.each { |sample| window.take(sample) }
      seen = Live::UnderwaySeen.new([exercise(context)], context, window)
      seen.look('straight_in_autorotation')
      seen.instance_variable_set(:@began_s, window.last_s - began_before_s)
      [0.3, 0.5, 0.9, 1.1].map do |more|
        window.take(going.last.merge('t_s' => going.last['t_s'] + more))
        seen.due?
      end
    end

    assert_equal [false, true, true, true], asked.call(20.0)
    assert_equal [false, false, false, true], asked.call(215.0), '0.004 of 245 s'
  end
end
