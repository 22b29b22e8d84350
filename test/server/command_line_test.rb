# frozen_string_literal: true

require_relative '../server_helper'
require_relative 'command_line_help'
require 'tmpdir'

# The command line as a person or a script meets it.
class CommandLineTest < Minitest::Test
  include CommandLineHelp

  ROOT = Fujin::Settings::ROOT

  # All that needs no database, with the exit code of each.
  def test_each_command_runs_by_itself
    Dir.mktmpdir do |folder|
      csv = File.join(folder, 'flown.csv')
      day = %w[--aircraft tansy-2 --wind 350/8 --course 350 --spot 47.2104,-14.3320]
      { ['simulate', 'straight_in_autorotation', *day, '--fault', 'slow_glide=12', '--out', csv] => [0, 'flown.csv'],
        ['grade', csv, *day, '--one-change'] => [0, 'One change: '],
        ['plan', 'straight_in_autorotation', *day] => [0, 'Training aid only'],
        ['site', File.join(ROOT, 'db/demo/sites/walled-orchard.geojson'), *day] => [0, 'over-the-meadow'],
        ['check', csv] => [0, 'rows'], ['types'] => [0, 'tansy-2'], [] => [0, 'Usage: bin/fujin COMMAND'],
        %w[truth --flights 1 --seed 2] => [0, 'satellite only'],
        %w[verify none.json] => [1, 'there is no file none.json'],
        %w[dance] => [2, 'there is no command "dance"'] }.each do |words, (code, said)|
        out, err, exit = fujin_alone(*words)

        assert_equal code, exit, err
        assert_includes exit.zero? ? out : err, said
      end
    end
  end

  def json(*arguments) = JSON.parse(fujin(*arguments, '--json').first)

  def test_a_devices_own_headings_are_told_in_a_file
    Dir.mktmpdir do |folder|
      csv, told = %w[own.csv told.yml].map { |name| File.join(folder, name) }
      File.write(csv, "Zeit,Speed A,Rot,X\n#{(0..60).map { |i| "#{i},30.9,100,0" }.join("\n")}\n")
      out, err, code = fujin('grade', csv, '--aircraft', 'tansy-2')

      assert_equal 1, code
      assert_includes out + err, 'Say what its headings mean'
      File.write(
        told,
        YAML.dump(
          [%w[Zeit t_s s], ['Speed A', 'ias_kt', 'm/s'], %w[Rot nr_pct %]].map do |h, c, u|
            { 'heading' => h, 'channel' => c, 'unit' => u }
          end
        )
      )
      found = json('grade', csv, '--aircraft', 'tansy-2', '--headings', told)

      assert_equal %w[ias_kt nr_pct], found['recording']['channels']
    end
  end

  # A school's own rows in place of the usual ones; a row of a measure that is none is named.
  def test_graded_by_a_schools_own_standards
    Dir.mktmpdir do |folder|
      csv, own = %w[own.csv own.yml].map { |name| File.join(folder, name) }
      day = %w[--aircraft tansy-2 --wind 350/8 --course 350]
      fujin('simulate', 'straight_in_autorotation', *day, '--out', csv)
      gate = ->(*more) { json('grade', csv, *day, *more)['attempts'][0]['measures']['gate_ias_kt']['band_high'] }
      usual = gate.call
      rule = { 'rule' => 'around', 'target' => 'gate_speed_kt', 'width' => 20 }
      File.write(own, YAML.dump('straight_in_autorotation' => { 'gate_ias_kt' => rule }))

      assert_in_delta usual + 13.0, gate.call('--standards', own), 0.01, '20 kt for 7'
      File.write(own, YAML.dump('straight_in_autorotation' => { 'gate_kt' => rule }))
      _, err, code = fujin('grade', csv, *day, '--standards', own)

      assert_equal 1, code
      assert_includes err, 'gate_kt'
      File.write(own, "straight_in_autorotation: 3\n")

      assert_includes fujin('grade', csv, *day, '--standards', own)[1], 'expected rules by measure'
      assert_equal 1, fujin('grade', csv, *day, '--standards', "#{own}.not")[2]
    end
  end

  def test_one_change_to_a_graded_attempt
    Dir.mktmpdir do |folder|
      csv = File.join(folder, 'slow.csv')
      fujin('simulate', 'straight_in_autorotation', '--aircraft', 'tansy-2', '--wind', '350/8', '--course', '350',
            '--fault', 'slow_glide=12', '--out', csv)
      asked = ['grade', csv, '--aircraft', 'tansy-2', '--wind', '350/8', '--course', '350', '--spot',
               '47.2104,-14.3320', '--one-change']
      change = json(*asked).fetch('attempts').first.fetch('one_change')

      assert_equal ['slow_glide', true], change.values_at('fault', 'claimed')
      speed = change.fetch('numbers').find { |row| row['measure'] == 'glide_ias_mean_kt' }

      assert_in_delta speed['fitted'] + 12.0, speed['mended'], 3.0 if speed
      assert_match(/^  One change: /, fujin(*asked).first)
      refute_includes json(*(asked - ['--one-change'])).fetch('attempts').first.keys, 'one_change'
    end
  end

  def test_truth_counts_the_same_flights_the_same_way_each_time
    once, again = Array.new(2) { json('truth', '--flights', '2', '--seed', '4') }
    full = once.fetch('everything, 10 Hz')

    assert_equal once, again
    assert_equal Fujin::Truth::PoorRecorder::ALL.keys, once.keys
    assert_equal [2, 2, 2], full.values_at('flights', 'there', 'found')
    assert_includes 0.6..1.0, full.fetch('coverage')
    out, err, code = fujin('truth', '--flights', '0')

    assert_equal [1, ''], [code, out]
    assert_includes err, '--flights'
  end

  def test_the_page_of_truth_names_how_it_was_made
    Dir.mktmpdir do |folder|
      page = File.join(folder, 'accuracy')
      fujin('truth', '--flights', '1', '--seed', '2', '--out', page)

      assert_includes File.read(page), '`bin/fujin truth --flights 1 --seed 2 --out docs/accuracy.md`'
      assert_match(/^\| satellite only \| \d of 1 /, File.read(page))
    end
  end

  def test_plan
    found = json('plan', 'straight_in_autorotation', '--aircraft', 'tansy-2', '--people', 'dual')

    assert_equal 'straight_in_autorotation', found['manoeuvre']
    assert_in_delta 1424, found['numbers']['min_sink_fpm']['value'], 15
    assert_equal 'fpm', found['numbers']['min_sink_fpm']['unit']
    assert_equal %w[t_s along_ft across_ft height_ft ias_kt groundspeed_kt sink_fpm rotor_rpm_pct phase],
                 found['path'].first.keys
    refute_empty found['cautions']
  end

  def test_plan_takes_a_type_file_and_settings
    Dir.mktmpdir do |folder|
      path = File.join(folder, 'nettle.yml')
      File.write(
        path,
        File
          .read(File.join(ROOT, 'core/data/aircraft_types/tansy-2.yml'))
          .sub('id: tansy-2', 'id: nettle-2')
          .sub('radius_m: 3.98', 'radius_m: 4.3')
      )
      found = json('plan', 'straight_in_autorotation', '--aircraft', path, '--set', 'gate_minimum_ft=180')

      assert_equal 'nettle-2', found['aircraft']
      refute_in_delta 1550.2, found['numbers']['glide_sink_fpm']['value'], 1.0
      assert_in_delta 180, found['numbers']['gate_height_ft']['value']
    end
  end

  def test_simulate_refuses_what_the_pilot_model_does_not_fly
    out, err, status =
      fujin('simulate', 'hover_turn', '--aircraft', 'tansy-2', '--out', File.join(Dir.tmpdir, 'never.csv'))

    assert_equal [2, ''], [status, out]
    assert_includes err, 'hover_turn can be planned but not flown yet'
    refute_path_exists File.join(Dir.tmpdir, 'never.csv')
  end

  def test_simulate_grade_and_the_planted_fault
    Dir.mktmpdir do |folder|
      files = [1, 2].map { |seed| File.join(folder, "#{seed}.csv") }
      files.each_with_index do |file, i|
        assert_equal 0,
                     fujin(
                       'simulate', 'straight_in_autorotation', '--aircraft', 'bracken-2', '--wind', '200/8',
                       '--fault', 'slow_glide=13', '--seed',
                       (i + 1).to_s,
                       '--out',
                       file
                     ).last
      end
      one = json('grade', files[0], '--aircraft', 'bracken-2', '--wind', '200/8', '--spot', '47.2104,-14.332')
      several = json('grade', *files, '--aircraft', 'bracken-2', '--wind', '200/8')

      assert_equal 'slow_glide', one['attempts'].first['first_fault']
      assert_equal 2, several.size
      assert_includes one['attempts'].first['measures'].keys, 'miss_ft'
      refute_includes several.first['attempts'].first['measures'].keys, 'miss_ft'
    end
  end

  def test_a_file_that_is_not_there_is_named_in_plain_words
    { %w[check none.yml] => 1, %w[grade none.csv --aircraft tansy-2] => 1,
      %w[verify none.json] => 1 }.each do |words, exit|
      _out, err, code = fujin(*words)

      assert_equal [exit, "fujin: there is no file #{words[1]}. Look at its name and folder.\n"], [code, err]
    end
    out, = fujin('grade', 'none.csv', 'neither.csv', '--aircraft', 'tansy-2', '--json')

    assert_equal(['there is no file none.csv. Look at its name and folder.',
                  'there is no file neither.csv. Look at its name and folder.'],
                 JSON.parse(out).map { |entry| entry['error'] })
  end

  def test_one_bad_file_of_several_is_an_entry_and_exit_one
    Dir.mktmpdir do |folder|
      good = File.join(folder, 'good.csv')
      bad = File.join(folder, 'bad.csv')
      File.write(good, "t_s,ias_kt\n0,60\n1,60\n2,60\n")
      File.write(bad, "nothing\n")
      out, _err, code = fujin('grade', good, bad, '--aircraft', 'tansy-2', '--json')

      assert_equal 1, code
      assert_empty JSON.parse(out)[0]['attempts']
      assert_equal %w[error file], JSON.parse(out)[1].keys.sort
      assert_equal 0, fujin('grade', good, '--aircraft', 'tansy-2', '--json').last
      assert_equal 1, fujin('grade', bad, '--aircraft', 'tansy-2').last
    end
  end

  def test_wrong_usage_is_two_and_says_what_there_is
    [
      [],
      ['dance'],
      %w[plan],
      %w[plan somersault --aircraft tansy-2],
      %w[plan straight_in_autorotation],
      %w[plan straight_in_autorotation --aircraft nettle-9],
      %w[plan straight_in_autorotation --aircraft tansy-2 --set colour=red],
      %w[plan straight_in_autorotation --aircraft tansy-2 --wings 2],
      %w[grade --aircraft tansy-2],
      %w[plan straight_in_autorotation --aircraft tansy-2 --people three]
    ].each do |arguments|
      _out, err, code = fujin(*arguments)
      next assert_equal(0, code) if arguments.empty?

      assert_equal 2, code, arguments.join(' ')
      assert_includes err, 'fujin:'
    end
  end

  def test_work_that_cannot_be_done_is_one_and_names_the_field
    {
      %w[--height-ft 100] => 'height_ft',
      %w[--wind north] => '--wind',
      %w[--oat-c 300] => 'oat_c',
      %w[--mass-kg 5] => 'mass_kg'
    }.each do |flags, field|
      _out, err, code = fujin('plan', 'straight_in_autorotation', '--aircraft', 'tansy-2', *flags)

      assert_equal 1, code
      assert_includes err, field
    end
  end

  def test_types_and_check
    assert_includes json('types').map { |t| t['id'] }, 'bracken-2'
    Dir.mktmpdir do |folder|
      type = File.join(folder, 'half.yml')
      File.write(type, "id: half\nname: Half\nkind: helicopter\n")
      out, _err, code = fujin('check', type, '--json')

      assert_equal 1, code
      assert_includes JSON.parse(out)['problems'].map { |p| p['path'] }, 'rotor.radius_m'
    end
    assert_equal 0, fujin('check', File.join(ROOT, 'core/data/aircraft_types/yarrow-4.yml')).last
    assert_equal 1, fujin('check', '/nowhere/at-all.csv').last
  end
end
