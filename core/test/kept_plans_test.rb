# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'
require_relative '../../test/by_lot'

# Every manoeuvre's plan on two days, with each of its settings at both ends and each of the house's other choices, and
# as low as it may be planned.
class KeptPlansTest < Minitest::Test
  extend ByLot
  include PlanHelp

  by_lot(/\Atest_plans_of_/)

  DAYS = { 'a breeze' => { wind: '350/8' },
           'hot, high and gusty' => { wind: '320/15G24', people: 'solo', oat_c: 28.0, elevation_ft: 2500.0 } }.freeze
  TYPES = { 'helicopter' => %w[tansy-2 yarrow-4], 'gyroplane' => %w[sorrel-g] }.freeze

  Fujin::Catalogue.all.each do |manoeuvre|
    define_method("test_plans_of_#{manoeuvre.id}_are_as_they_were") do
      found = {}
      manoeuvre.kinds.flat_map { |kind| TYPES.fetch(kind) }.each do |type|
        DAYS.each { |day, given| found["#{type}, #{day}"] = answers(manoeuvre, type: type, course: 350.0, **given) }
      end
      %w[early solo instructor].each { |stage| found["stage #{stage}"] = answers(manoeuvre, stage: stage) }
      settings(manoeuvre).each { |setting| found["with #{setting}"] = answers(manoeuvre, settings: setting) }
      houses(manoeuvre).each { |choice| found["with the house's #{choice}"] = answers(manoeuvre, house: choice) }
      found['as low as may be'] = as_low_as_may_be(manoeuvre)

      assert_empty Kept.differences("plan_#{manoeuvre.id}", found)
    end
  end

  private

  def settings(manoeuvre)
    manoeuvre.settings.flat_map do |name|
      allowed = Fujin::Planning::Settings::BY_NAME.fetch(name).allowed
      if allowed.is_a?(Range)
        allowed = [0.2, 0.7].map do |share|
          allowed.begin + ((allowed.end - allowed.begin) * share)
        end
      end
      allowed.map { |value| { name => value } }
    end
  end

  # @return [Hash] empty where no height is asked for
  def as_low_as_may_be(manoeuvre)
    least = answers(manoeuvre, height: 1.0).fetch('refused', '')[/from (\d+) to/, 1] or return {}
    answers(manoeuvre, height: least.to_f).merge('least' => least)
  end

  def houses(manoeuvre)
    Fujin::Planning::HouseMethod::SETTINGS.select { |s| manoeuvre.house.include?(s.name) }.flat_map do |setting|
      allowed = setting.allowed
      (allowed.is_a?(Range) ? [allowed.begin, allowed.end] : allowed - [setting.default])
        .map { |value| { setting.name => value } }
    end
  end

  def answers(manoeuvre, type: TYPES.fetch(manoeuvre.kinds.first).first, wind: '350/8', course: 350.0, **more)
    whole = plan(manoeuvre.id, type: type, wind: wind, course: course, **more)
    numbers = whole.numbers.to_h { |id, number| [id, Kept.one(number.value)] }
    parts = whole.to_h.except(:manoeuvre, :conditions, :house).merge(ledger: whole.ledger)
    numbers.merge(Kept.sums(parts))
  rescue Fujin::Error => e
    { 'refused' => e.message }
  end
end
