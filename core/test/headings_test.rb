# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'own_words'

# Columns in a device's own words and units: asked for once, told, refused by name, left out where they contradict.
class HeadingsOfDevicesTest < Minitest::Test
  R = Fujin::Recordings

  def landing = fly(ending: 'touchdown')
  def read(text, **options) = R.read(text, name: 'flight', **options)

  def test_a_devices_own_headings_are_asked_for_with_a_guess
    error = assert_raises(Fujin::UnknownHeadings) { read(OWN_WORDS) }

    assert_equal 'Time [ms]', error.headings.first
    assert_equal(
      [%w[t_s ms], %w[ias_kt m/s], %w[rotor_rpm rpm], %w[agl_ft m], nil],
      error.headings.map { |heading| R::Headings.guess(heading) }
    )
  end

  # Three rows beneath its headings look like a table; two, or words, are no recording.
  def test_what_does_not_look_like_a_table_is_not_asked_about
    few = ->(rows) { OWN_WORDS.lines.first(rows + 1).join }

    assert_raises(Fujin::UnknownHeadings) { read(few.call(3)) }
    [few.call(2), OWN_WORDS.gsub(/^\d.*/, 'a,b,c,d,e')].each do |text|
      assert_instance_of Fujin::UnreadableRecording, assert_raises(Fujin::UnreadableRecording) { read(text) }
    end
  end

  # Whatever a column may be told to be has units to choose from; a switch either way round.
  def test_every_channel_has_its_units
    assert_empty(R::Headings::CHANNELS.select { |channel| R::Headings.units(channel).empty? })
    switch = ->(unit, number) { R::Headings::Column.new(channel: 'governor_on', unit: unit).value(number) }

    assert_equal([0.0, 1.0, 1.0, 0.0], [switch.call('1 is on', 0), switch.call('1 is on', 1),
                                        switch.call('0 is on', 0), switch.call('0 is on', 1)])
  end

  # By hand, one of each unit: what the channel's own unit is then.
  def test_every_unit_by_hand
    value = ->(channel, unit, number) { R::Headings::Column.new(channel: channel, unit: unit).value(number) }
    [['ias_kt', 'm/s', 1.0, 1.943844], ['ias_kt', 'km/h', 1.852, 1.0], ['ias_kt', 'mph', 1.0, 0.868976],
     ['agl_ft', 'm', 1.0, 3.28084], ['vs_fpm', 'm/s', 1.0, 196.8504], ['vs_fpm', 'ft/s', 2.0, 120.0],
     ['hdg_deg', 'rad', Math::PI, 180.0], ['nr_pct', 'share', 0.97, 97.0], ['oat_c', '°F', 212.0, 100.0],
     ['oat_c', 'K', 288.15, 15.0], ['map_inhg', 'hPa', 1013.25, 29.9213], ['map_inhg', 'kPa', 101.325, 29.9213],
     ['map_inhg', 'psi', 14.69595, 29.9213], ['t_s', 'ms', 1500.0, 1.5], ['t_s', 'min', 2.0, 120.0]]
      .each { |channel, unit, number, own| assert_in_delta own, value.call(channel, unit, number), own * 1e-5, unit }
    R::Headings::CHANNELS.each do |channel|
      assert_in_delta 7.0, value.call(channel, R::Headings.units(channel).first, 7.0), 1e-12, channel
    end
  end

  def test_headings_told_once_are_read_in_their_units
    told =
      [%w[t_s ms], %w[ias_kt m/s], %w[rotor_rpm rpm], %w[agl_ft m]].zip(OWN_WORDS.lines.first.split(','))
        .map { |(c, u), h| { 'heading' => h, 'channel' => c, 'unit' => u } }
    found = read(OWN_WORDS, headings: R::Headings.new(told))

    assert_equal [0.0, 1.0, 2.0, 3.0], found.times
    assert_in_delta 60.0, found['ias_kt'][0], 0.05
    assert_in_delta 328.08, found['agl_ft'][0], 0.05
    assert_equal ['(note)'], found.ignored_columns.map(&:downcase)
  end

  def test_headings_that_contradict_are_refused_by_name
    error =
      assert_raises(Fujin::InvalidInput) do
        R::Headings.new(
          [
            { 'heading' => 'A', 'channel' => 'ias_kt', 'unit' => 'inHg' },
            { 'heading' => 'B', 'channel' => 'ias_kt', 'unit' => 'kt' }
          ]
        )
      end

    assert_equal %w[A B columns], error.problems.map { |problem| problem[:path] }.sort
  end

  def scaled(channel, factor)
    lines = landing.csv.lines
    at = lines.first.chomp.split(',').index(channel)
    lines.first +
      lines
        .drop(1)
        .map { |line| line.chomp.split(',', -1).tap { |row| row[at] = (row[at].to_f * factor).to_s }.join(',') << "\n" }
        .join
  end

  {
    'nr_pct' => 0.01,
    'gs_kt' => 0.51444,
    'ias_kt' => 1.852,
    'vs_fpm' => 0.00508,
    'alt_msl_ft' => 0.3048
  }.each do |channel, factor|
    define_method("test_#{channel}_in_another_unit_is_left_out_and_said") do
      found = read(scaled(channel, factor))

      refute found.channel?(channel)
      assert_match(/#{channel} was left out/, found.notes.join(' '))
    end
  end
end
