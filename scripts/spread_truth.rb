# frozen_string_literal: true

require 'bundler/setup'
require_relative '../core/lib/fujin'

# How far is the reduced model of where landings end (Dispersion) from whole flights? Flies the same deviations both
# ways in eight cases and prints the share that ends within 200 and 300 ft, middle and spread.
#
#   bundle exec ruby scripts/spread_truth.rb [--flights 200] [--seed 1]
class SpreadTruth
  A = Fujin::Manoeuvres::Autorotation
  Q = Fujin::Quantities

  Case = Struct.new(:plan, :id, :people, :wind, :course, :day, keyword_init: true) do
    def to_s
      "#{plan.declaration.id} #{id} #{people} #{wind} on #{course.round}" \
        "#{" at #{day[:elevation_ft].round} ft" unless day.empty?}"
    end
  end

  HIGH = { elevation_ft: 4000.0, oat_c: 22.0 }.freeze
  CASES = [
    [A::StraightInPlan, 'tansy-2', 'dual', '350/10', {}],
    [A::StraightInPlan, 'yarrow-4', 'dual', '320/15', {}],
    [A::StraightInPlan, 'bracken-2', 'solo', '170/4', {}],
    [A::StraightInPlan, 'tansy-2', 'solo', '350/18', HIGH],
    [A::TurningPlan, 'tansy-2', 'dual', '350/10', {}],
    [A::TurningPlan, 'yarrow-4', 'solo', '350/8', {}],
    [A::TurningPlan, 'bracken-2', 'dual', '020/12', HIGH],
    [A::STurnPlan, 'tansy-2', 'dual', '350/10', {}]
  ].map do |plan, id, people, wind, day|
    Case.new(plan: plan, id: id, people: people, wind: wind, course: 350.0,
             day: day)
  end

  def initialize(argv)
    @flights = argv.include?('--flights') ? argv[argv.index('--flights') + 1].to_i : 200
    @seed = argv.include?('--seed') ? argv[argv.index('--seed') + 1].to_i : 1
  end

  def run
    puts "#{@flights} flights a case, seed #{@seed}; whole flights / reduced, the same deviations"
    CASES.each { |kase| puts line(kase) }
  end

  private

  def line(kase)
    day = conditions(kase, kase.wind)
    reduced = A::Dispersion.new(day, Fujin::Planning::HouseMethod.new, planner: kase.plan, course_deg: kase.course)
    random = Random.new(@seed)
    pairs = Array.new(@flights) { pair(kase, reduced, reduced.deviation(random)) }.compact
    whole, quick = pairs.transpose
    shares = [200.0, 300.0].map do |ft|
      format('%d ft %4.1f / %4.1f %%', ft, *[whole, quick].map do |places|
        100.0 * places.count do |a, _|
          a.abs <= ft
        end / places.size
      end)
    end
    format('%-58s %s  along %s  across %s', kase, shares.join('  '), told(whole, quick, 0), told(whole, quick, 1))
  end

  def told(whole, quick, axis)
    [whole, quick].map { |places| places.map { |place| place[axis] } }.map do |values|
      mean = values.sum / values.size
      format('%d±%d', mean, Math.sqrt(values.sum { |v| (v - mean)**2 } / values.size))
    end.join(' / ')
  end

  def conditions(kase, wind)
    Fujin::Planning::Conditions.build(type: Fujin::Aircraft::Library.find(kase.id), people: kase.people,
                                      wind: Fujin::Wind.parse(wind), **kase.day)
  end

  # One set of deviations both ways: the flight begins where the day's plan has it, in a wind that has changed.
  def pair(kase, reduced, off)
    off = off.with(across_ft: 0.0, bank_deg: 0.0)
    [flown(kase, off), reduced.place('glide', off)]
  rescue Fujin::OutsideModel, Fujin::InvalidInput
    nil
  end

  def flown(kase, off)
    signed = ->(value, low, high) { { value.negative? ? low : high => value.abs } }
    faults = { 'late_collective' => off.delay_s }.merge(
      signed.call(off.speed_kt, 'slow_glide', 'fast_glide'), signed.call(off.rotor_pct, 'low_rotor_rpm', 'high_rotor_' \
        'rpm'),
      signed.call(off.flare_height_ft, 'late_flare', 'early_flare'),
      signed.call(misplaced_ft(off), 'entered_too_close', 'entered_too_far')
    )
    run = A::WholeFlight.new(conditions(kase, kase.wind), plan: kase.plan, course_deg: kase.course, faults: faults,
                                                          air: air(kase, off.headwind_kt)).run
    row = run.rows.find do |r|
      %i[flare recovery].include?(r.phase) && Math.hypot(r.v_north, r.v_east) < 0.8
    end || run.rows.last
    Fujin::LocalMap.along_across(row.north_m, row.east_m, kase.course).map { |m| m / Q::FT }
  end

  # The wind is another than the one that was planned with.
  def air(kase, headwind_kt)
    course = kase.course * Q::DEG
    change = headwind_kt * Q::KT
    planned = Fujin::Flight::WindField.new(Fujin::Wind.parse(kase.wind), exponent: 0.0, seed: 1)
    ->(height, time) do
      north, east = planned.call(height, time)
      [north - (change * Math.cos(course)), east - (change * Math.sin(course))]
    end
  end

  # The set-up is flown to the planned entry all the same.
  def misplaced_ft(off) = off.entry_ft - (off.headwind_kt * Q::KT * A::WholeFlight::SETUP_S / Q::FT)
end

SpreadTruth.new(ARGV).run
