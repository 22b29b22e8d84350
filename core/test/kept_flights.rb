# frozen_string_literal: true

require_relative 'test_helper'
require_relative '../../test/by_lot'

# What a family's pilot flies, how each of its faults shows, and what is found, measured and named in it.
module KeptFlights
  WIND = Fujin::Wind.parse('330/9')
  GUSTS = Fujin::Wind.parse('320/12G21')
  # Faults of the simulated pilots at a size that is seen.
  SIZES = { 's' => 1.5, 'deg' => 4.0, 'kt' => 9.0, 'ft' => 60.0, 'points' => 5.0, 'gain' => 0.7, 'fpm' => 300.0,
            'pct' => 15.0 }.freeze

  # A test for each manoeuvre that this pilot flies.
  # @param pilot [Module] with FAULTS
  def flown_by(pilot)
    family = pilot.name[/.*::/]
    Fujin::Catalogue.all.select { |m| m.pilot && m.finder.name.start_with?(family) }.each do |manoeuvre|
      define_method("test_flights_of_#{manoeuvre.id}_are_as_they_were") do
        found = { 'clean' => {}, **known_faults(pilot) }.transform_values { |faults| answers(manoeuvre, faults) }
        found['another type in gusts'] = answers(manoeuvre, {}, id: 'yarrow-4', wind: GUSTS)

        assert_empty Kept.differences("flight_#{manoeuvre.id}", found)
      end
    end
  end

  def self.extended(test)
    test.include(Answers)
    test.extend(ByLot)
    test.by_lot(/\Atest_flights_of_/)
  end

  # What each test asks.
  module Answers
    # Each of the pilot's faults, alone.
    def known_faults(pilot)
      pilot::FAULTS.to_h { |name, unit| [name, { name => SIZES.fetch(unit) }] }
    end

    def answers(manoeuvre, faults, id: 'tansy-2', wind: WIND)
      day = conditions(id, wind: wind)
      run = manoeuvre.pilot.call(day, house: Fujin::Planning::HouseMethod.new, height_ft: nil, course_deg: 350.0,
                                      settings: {}, faults: faults).run
      csv = Fujin::Flight::Recorder.new(type: day.type, origin: CoreHelp::SPOT, seed: 7).csv(run)
      last = run.rows.last.to_h.to_h { |name, value| ["last #{name}", Kept.one(value)] }
      rows = Kept.sums('rows' => run.rows.each_slice(25).map { |some| some.first.to_h })
      flown = grade_csv(csv, day: day)
      flown.proposals.reduce(rows.merge(last)) { |all, proposal| all.merge(Kept.told(proposal)) }
    rescue Fujin::Error => e
      { 'refused' => e.message }
    end
  end
end
