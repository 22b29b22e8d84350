# frozen_string_literal: true

require_relative 'test_helper'

# Each named fault from its own evidence, on a clean flight with one thing changed in the recording.
class FaultTest < Minitest::Test
  def changed(flown, &)
    columns = flown.csv.lines.first.chomp.split(',')
    rows = flown.csv.lines.drop(1).map { |line| columns.zip(line.chomp.split(',').map(&:to_f)).to_h }.map(&)
    ([columns.join(',')] + rows.map { |row| row.values_at(*columns).join(',') }).join("\n") << "\n"
  end

  def closure = fly.proposal.attempt.start_s
  def phase(id) = fly.proposal.attempt.phase(id)
  def faults(&) = grade_csv(changed(fly, &)).fault_ids

  # A bump that rises and falls smoothly between two times.
  def bump(time, from, to, height)
    return 0.0 unless time.between?(from, to)

    height * Math.sin(Math::PI * (time - from) / (to - from))
  end

  def test_nothing_changed_is_no_fault
    assert_empty faults(&:itself)
  end

  def test_a_collective_that_went_up_first
    assert_includes faults { |row|
                      row.merge(
                        'collective_pct' => row['collective_pct'] + bump(row['t_s'], closure - 0.1, closure + 0.5, 14.0)
                      )
                    },
                    'raised_collective'
  end

  def test_a_collective_that_never_came_all_the_way_down
    found = faults do |row|
      late = row['t_s'] > closure + 0.6 && row['t_s'] < phase('flare').start_s
      late ? row.merge('collective_pct' => row['collective_pct'] + 9.0, 'nr_pct' => row['nr_pct'] - 3.0) : row
    end

    assert_includes found, 'collective_not_down'
  end

  def test_a_nose_that_swung
    assert_includes faults { |row|
                      row.merge('hdg_deg' => (row['hdg_deg'] - bump(row['t_s'], closure, closure + 3.0, 30.0)) % 360.0)
                    },
                    'yaw_uncorrected'
  end

  def test_a_nose_that_dropped
    found =
      faults do |row|
        entry = row['t_s'].between?(closure, closure + 4.0)
        row.merge(
          'pitch_deg' => row['pitch_deg'] - (entry ? 14.0 : 0.0),
          'ias_kt' => row['ias_kt'] + bump(row['t_s'], closure + 1, closure + 16.0, 20.0)
        )
      end

    assert_includes found, 'nose_dropped'
  end

  def test_rotor_rpm_high_and_low_in_the_glide
    shift =
      ->(points) do
        ->(row) do
          if row['t_s'].between?(phase('glide').start_s, phase('flare').start_s)
            row.merge('nr_pct' => row['nr_pct'] + points, 'collective_pct' => 12.0)
          else
            row
          end
        end
      end

    assert_includes faults(&shift.call(8.0)), 'high_rotor_rpm'
    assert_includes faults(&shift.call(-7.0)), 'low_rotor_rpm'
  end

  def test_rotor_rpm_low_with_the_collective_down_is_nobodys_fault
    found =
      faults do |row|
        if row['t_s'].between?(phase('glide').start_s, phase('flare').start_s)
          row.merge('nr_pct' => row['nr_pct'] - 7.0, 'collective_pct' => 0.0)
        else
          row
        end
      end

    refute_includes found, 'low_rotor_rpm'
  end

  def test_a_flare_that_climbed
    flare = phase('flare')
    found = faults do |row|
      up = bump(row['t_s'], flare.start_s + 3.5, flare.end_s - 0.5, 30.0)
      row.merge('agl_ft' => row['agl_ft'] + up, 'alt_msl_ft' => row['alt_msl_ft'] + up)
    end

    assert_includes found, 'hard_flare'
  end

  IDLE = { 'throttle_pct' => 1.0, 'ne_pct' => 62.0 }.freeze

  def test_power_that_came_late
    level = fly.proposal.attempt.event(:level_s)
    found = faults { |row| row['t_s'].between?(closure, level + 2.5) ? row.merge(IDLE) : row }

    assert_includes found, 'late_power'
  end

  def test_an_unplanned_contact_in_a_power_recovery_is_critical
    recovery = phase('recovery')
    flown =
      grade_csv(
        changed(fly) do |row|
          row.merge('agl_ft' => row['agl_ft'] - bump(row['t_s'], recovery.start_s + 3.5, recovery.start_s + 4.5, 6.0))
        end
      )

    assert flown.proposal.measures['recovery_min_height_ft'].critical
    assert_includes flown.fault_ids, 'exceeded_limit'
  end

  def test_a_tail_low_contact
    landed = fly(ending: 'touchdown')
    contact = landed.proposal.attempt.event(:contact_s)
    csv =
      changed(landed) { |row| row['t_s'].between?(contact - 1.0, contact + 0.5) ? row.merge('pitch_deg' => 14.0) : row }
    found = grade_csv(csv, house: Fujin::Planning::HouseMethod.new('ending' => 'touchdown'))

    assert_includes found.fault_ids, 'not_level'
    assert_equal 'out', found.proposal.measures['contact_pitch_deg'].verdict
  end

  def test_every_fault_has_evidence_in_words_and_seconds_inside_the_recording
    flown = fly(faults: { 'late_collective' => 1.5, 'slow_glide' => 13, 'weak_flare' => 0.4 })
    flown.proposal.faults.each do |fault|
      assert_match(/\d/, fault.evidence, fault.id)
      assert_operator fault.to_s, :>=, fault.from_s
      assert_operator fault.from_s, :>=, flown.signals.start_s
    end
  end

  def test_an_unknown_manoeuvre_says_which_there_are
    assert_includes assert_raises(Fujin::UnknownName) { Fujin::Catalogue.find('somersault') }.message,
                    'straight_in_autorotation'
  end

  # A clean flare is counted from the height the type asks for; one flown well late or early is named.
  %w[tansy-2 bracken-2 yarrow-4].each do |id|
    define_method("test_the_flare_of_#{id.tr('-', '_')}_is_counted_from_its_height") do
      wanted = type(id).flare_height_ft

      assert_within wanted, fly(id: id, ending: 'touchdown').measure('flare_height_ft'), 12
      assert_includes fly(id: id, ending: 'touchdown', faults: { 'late_flare' => 36.0 }).fault_ids, 'late_flare'
      assert_includes fly(id: id, ending: 'touchdown', faults: { 'early_flare' => 45.0 }).fault_ids, 'early_flare'
    end
  end
end
