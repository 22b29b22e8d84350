# frozen_string_literal: true

require_relative 'test_helper'
require_relative '../../test/by_lot'

# Every setting of the house method changes the plans of the manoeuvres that declare it.
class HouseMethodTest < Minitest::Test
  extend ByLot

  by_lot(/_changes_a_plan\z/)

  H = Fujin::Planning::HouseMethod
  # Count only once what they are of is what is used.
  TOGETHER = { 'turn_out_real_ft' => { 'turn_out' => 'real' },
               'turn_established_s' => { 'turn_entry' => 'established' },
               'glide_fast_by_kt' => { 'glide_speed' => 'fast' } }.freeze
  TYPES = { 'helicopter' => 'tansy-2', 'gyroplane' => 'sorrel-g' }.freeze

  def plan(declaration, values)
    type = Fujin::Aircraft::Library.find(TYPES.fetch(declaration.kinds.first))
    day = Fujin::Planning::Conditions.build(type: type, wind: Fujin::Wind.parse('350/8G14'))
    declaration.plan(day, H.new(values))
  end

  # Everything that a plan says, without the method it was told.
  def said(plan) = plan.to_h.except(:house).inspect.gsub(/0x\h+/, '')

  # Every choice is to change something; of a number one end at least, as what else limits may bind before the other.
  # @return [Array<Array>] values of which one is to change a plan
  def others(setting)
    return (setting.allowed - [setting.default]).zip unless setting.allowed.is_a?(Range)

    [[setting.allowed.begin, setting.allowed.end]]
  end

  H::SETTINGS.each do |setting|
    define_method("test_#{setting.name}_changes_a_plan") do
      with = TOGETHER.fetch(setting.name, {})
      declared = Fujin::Catalogue.all.select { |d| setting.allowed.is_a?(Range) || d.house.include?(setting.name) }
      others(setting).each do |values|
        changed =
          declared.find do |declaration|
            usual = said(plan(declaration, with))
            values.any? { |value| usual != said(plan(declaration, with.merge(setting.name => value))) }
          end

        assert changed, "#{setting.name} = #{values.join(' or ')} changes nothing in #{declared.map(&:id).join(', ')}"
      end
    end
  end

  def test_each_choice_has_its_reason
    H::SETTINGS.reject { |s| s.allowed.is_a?(Range) }.each { |s| assert_equal s.allowed, s.reasons.keys, s.name }
  end
end
