# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'
require_relative 'kept'
require_relative '../../test/by_lot'

# Every manoeuvre's plan on days drawn by lot: wind from anywhere, any weather, type, crew, stage and settings. What a
# caution hangs on lies on either side of its limit in some of them.
class KeptDaysTest < Minitest::Test
  extend ByLot
  include PlanHelp

  by_lot(/\Atest_days_of_/)

  DAYS = 60
  # What glides is looked at along many lines; a plan of it takes twenty times as long.
  DAYS_OF_A_GLIDE = 16
  STAGES = %w[early solo test instructor].freeze

  Fujin::Catalogue.all.each do |manoeuvre|
    define_method("test_days_of_#{manoeuvre.id}_are_as_they_were") do
      random = Random.new(manoeuvre.id.sum)
      found = Array.new(manoeuvre.id.match?(/autorotation|gyro_/) ? DAYS_OF_A_GLIDE : DAYS) do |i|
        ["day #{i}", answers(manoeuvre, random)]
      end.to_h

      assert_empty Kept.differences("days_#{manoeuvre.id}", found)
    end
  end

  private

  def answers(manoeuvre, random)
    day = drawn(manoeuvre, random)
    whole = plan(manoeuvre.id, **day)
    { 'cautions' => whole.cautions.map(&:id).join(' '),
      **Kept.sum([whole.numbers.transform_values(&:value), whole.to_h.except(:manoeuvre, :conditions, :house)]) }
  rescue Fujin::Error => e
    { 'refused' => e.message }
  end

  def drawn(manoeuvre, random)
    speed = random.rand(25)
    gusts = random.rand < 0.3 ? "G#{speed + random.rand(3..12)}" : ''
    { type: types_for(manoeuvre).sample(random: random), people: %w[solo dual].sample(random: random),
      wind: format('%<from>03d/%<speed>d%<gusts>s', from: random.rand(360), speed: speed, gusts: gusts), course: 350.0,
      oat_c: random.rand(-10.0..35.0).round, elevation_ft: [0.0, 0.0, 1500.0, 4000.0].sample(random: random),
      stage: STAGES.sample(random: random), settings: settings(manoeuvre, random) }
  end

  def settings(manoeuvre, random)
    manoeuvre.settings.select { random.rand < 0.5 }.to_h do |name|
      allowed = Fujin::Planning::Settings::BY_NAME.fetch(name).allowed
      [name, allowed.is_a?(Range) ? random.rand(allowed).round(1) : allowed.sample(random: random)]
    end
  end
end
