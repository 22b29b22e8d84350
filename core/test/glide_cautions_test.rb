# frozen_string_literal: true

require_relative 'test_helper'

# When rotor rpm in an entry or a flare is said, and how loudly: Tansy 2 has 91 to 111 % in the band and 80 to 114 %
# absolute, and an entry within three points of its absolute limit is one.
class GlideCautionsTest < Minitest::Test
  P = Fujin::Planning

  def said(lowest: 95.0, peak: 105.0)
    type = Fujin::Aircraft::Library.find('tansy-2')
    numbers = { 'lowest_rotor_rpm_pct' => lowest, 'flare_rotor_rpm_peak_pct' => peak }
    plain = numbers.transform_values { |value| P::PlanNumber.new(value: value, unit: 'pct') }
    Fujin::Manoeuvres::Autorotation::GlideCautions.new(
      P::Conditions.build(type: type, wind: Fujin::Wind.calm), P::HouseMethod.new, numbers: plain, left_out: {}
    ).all.to_h { |caution| [caution.id, caution] }
  end

  def level(id, **numbers) = said(**numbers)[id]&.level

  def test_an_entry_is_said_by_how_far_it_leaves_the_band
    [[91.1, nil], [90.9, 'caution'], [83.1, 'caution'], [82.9, 'limit'], [79.0, 'limit']].each do |lowest, wanted|
      wanted ? assert_equal(wanted, level('entry_rpm', lowest: lowest)) : assert_nil(level('entry_rpm', lowest: lowest))
    end
    assert_match(/to 88\.4 %, 2\.6 points under the band's 91 % \(absolute 80 %\)/,
                 said(lowest: 88.4)['entry_rpm'].text)
  end

  def test_a_flare_is_said_by_how_far_it_leaves_the_band
    [[110.9, nil], [111.1, 'caution'], [113.9, 'caution'], [114.1, 'limit']].each do |peak, wanted|
      wanted ? assert_equal(wanted, level('flare_rpm', peak: peak)) : assert_nil(level('flare_rpm', peak: peak))
    end
    assert_match(/to 112\.5 %, 1\.5 points over the band's 111 % \(absolute 114 %\)/,
                 said(peak: 112.5)['flare_rpm'].text)
  end
end
