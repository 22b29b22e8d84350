# frozen_string_literal: true

require_relative 'test_helper'

# How evenly spaced signals are read from what a recorder wrote.
class SignalsReadTest < Minitest::Test
  # Ten seconds at 10 Hz.
  # @yield [t_s] what stands in each column but the first
  def signals(columns)
    rows = (0..100).map { |i| [i / 10.0, *yield(i / 10.0)].join(',') }
    signals_of("t_s,#{columns}\n#{rows.join("\n")}\n")
  end

  # A rotor's speed is told in percent of the type's normal one.
  def test_a_rotors_speed_in_turns_a_minute
    found = signals('ias_kt,rotor_rpm') { [60.0, 0.93 * type.normal_rotor_rpm] }

    assert_in_delta 93.0, found.at(:nr, 5.0), 1e-6
  end

  # Three seconds of ten are missing, which is too long to be bridged.
  def test_how_much_of_a_stretch_was_recorded
    found = signals('ias_kt,nr_pct') { |t| [t > 4.0 && t < 7.0 ? '' : 60.0, 100.0] }

    assert_in_delta 0.7, found.coverage(:ias, 0.0, 10.0), 0.03
    assert_in_delta 1.0, found.coverage(:nr, 0.0, 10.0), 1e-9
    assert_in_delta 0.5, found.coverage(:ias, 1.0, 7.0), 0.04
    assert_equal [0.0, 0.0], [found.coverage(:ias, 5.0, 4.0), found.coverage(:roll, 0.0, 10.0)]
  end

  # By straight lines between what was written, never beyond it; inside too long a hole nothing.
  def test_evenly_spaced_values_end_where_what_was_written_ends
    spaced = Fujin::Recordings::Smoothing.resample([1.0, 2.0, 6.0], [10.0, 20.0, 60.0], 0.0, 0.5, 15, 3.0)

    assert_equal [10.0, 10.0, 10.0, 15.0, 20.0], spaced.first(5)
    assert spaced[5..11].all?(&:nan?)
    assert_equal [60.0, 60.0, 60.0], spaced.last(3)
  end
end
