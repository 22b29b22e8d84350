# frozen_string_literal: true

require_relative 'test_helper'
require_relative '../../test/by_lot'

# Every measure of every manoeuvre, taken from one flight.
class KeptMeasuresTest < Minitest::Test
  extend ByLot

  by_lot(/\Atest_measures_of_/)

  WIND = Fujin::Wind.parse('330/9')

  Fujin::Catalogue.recorded.each do |manoeuvre|
    define_method("test_measures_of_#{manoeuvre.id}_are_as_they_were") do
      flown = fly(ending: 'touchdown', faults: { 'drift_at_contact' => 3.0 })
      day = conditions(manoeuvre.kinds.include?('helicopter') ? 'tansy-2' : 'sorrel-g', wind: WIND)
      context = Fujin::Lessons.context(conditions: day, spot: SPOT, wind: WIND, exercise: manoeuvre.id,
                                       course_deg: 350.0)
      signals = signals_of(flown.csv, day)
      recut = Fujin::Grading::Recut.new(signals, context)
      found = [[12.0, 75.0], [20.0, 60.0], [40.0, 90.0]].to_h do |from, to|
        ["#{from} to #{to} s", cut(recut, manoeuvre, from, [to, signals.end_s - 0.5].min)]
      end

      assert_empty Kept.differences("measures_#{manoeuvre.id}", found)
    end
  end

  private

  def cut(recut, manoeuvre, from, to)
    phases = Fujin::Grading::Cuts.spread(manoeuvre.phases - ['touchdown'], from, to)
    Kept.told(recut.propose(manoeuvre.id, phases))
  rescue Fujin::Error => e
    { 'refused' => e.message }
  end
end
