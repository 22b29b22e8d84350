# frozen_string_literal: true

require_relative 'test_helper'

# What stands beside a planned path, against other ways of getting the same numbers.
class PathMarksTest < Minitest::Test
  P = Fujin::Planning
  CROSS = Fujin::Wind.parse('310/10')

  def day(kind = 'helicopter', wind: CROSS)
    type = Fujin::Aircraft::Library.find(kind == 'helicopter' ? 'tansy-2' : 'sorrel-g')
    P::Conditions.build(type: type, wind: wind)
  end

  def plan(id, **fields)
    declared = Fujin::Catalogue.find(id)
    declared.plan(day(declared.kinds.first, **fields), P::HouseMethod.new, course_deg: 350.0)
  end

  def marks(plan, picture) = P::PathMarks.of(plan).select { |mark| mark.picture == picture }

  def said(marks, word) = marks.find { |mark| mark.lines.first.match?(/\A#{word}\b/i) }&.lines

  # A plan of nothing but a path.
  Drawn = Struct.new(:path, :conditions, :course_deg, :gates, :margin) do
    def value(_name) = margin
    def watched = []
  end

  def drawn(points, wind: Fujin::Wind.calm, margin: nil)
    path = points.map do |t, along, across, height, phase|
      P::PathPoint.new(t_s: t, along_ft: along, across_ft: across, height_ft: height, phase: phase,
                       ias_kt: 60.0, groundspeed_kt: 60.0, sink_fpm: 600.0, rotor_rpm_pct: 100.0)
    end
    Drawn.new(path, day(wind: wind), 350.0, [], margin)
  end

  # The table of legs solves the wind triangle leg by leg; the marks take it from the path's points.
  def test_the_legs_of_a_circuit_are_said_as_its_table_has_them
    circuit = plan('circuit')
    above = marks(circuit, 'above')
    circuit.tables.find { |table| table.id == 'legs' }.rows.first(4).each do |name, heading, _, over|
      line = said(above, name)[1]

      assert_in_delta heading, line[/heading (\d+)/, 1].to_i, 1.0, name
      assert_in_delta over, line[/(\d+) kt over/, 1].to_i, 1.0, name
    end
    assert_equal ['abeam the spot at 3,200 ft'], said(above, 'abeam')
  end

  # By hand: the wind from 310 on a course of 350 comes from 40° left; 10 sin 40 = 6.4 kt across, asin(6.4 / 63) = 5.9°.
  def test_drift_is_to_the_side_that_the_wind_blows_to
    assert_match(/drift 6° right\z/, said(marks(plan('straight_in_autorotation'), 'above'), 'glide').last)
  end

  # A circle of 1,000 ft radius at 80 kt: tan φ = V²/(gR), φ = atan(41.16² / (9.807 · 304.8)) = 29.5°; half of it takes
  # π · 304.8 / 41.16 = 23.3 s.
  def test_the_bank_of_a_turn_in_a_calm
    half = (0..60).map do |i|
      angle = i * Math::PI / 60
      [i * 23.264 / 60, 1000 * Math.sin(angle), 1000 * (1 - Math.cos(angle)), 900.0 - i, 'turn']
    end

    assert_equal ['turn', '180° right in 23 s', 'bank about 30°'], said(marks(drawn(half), 'above'), 'turn')
  end

  # The path's first point of a flare lies below where it begins: the gate has the height.
  def test_a_stretch_begins_where_the_one_before_ends
    straight = plan('straight_in_autorotation', wind: Fujin::Wind.parse('350/10'))
    flare = straight.gates.find { |gate| gate.id == 'flare' }

    assert_equal ["flare: #{flare.height_ft.round} ft, 63 kt"], said(marks(straight, 'side'), 'flare')
    assert_equal ['entry: 1,000 ft, 78 kt'], said(marks(straight, 'side'), 'entry')
  end

  def test_a_gate_says_what_it_lets_pass
    gate = said(marks(plan('straight_in_autorotation'), 'gate'), 'Gate')

    assert_equal ['56 to 70 kt', '96 to 104 % rotor rpm'], gate[1, 2]
    assert_match(%r{\A1,1\d0 to 1,9\d0 ft/min down\z}, gate[3])
  end

  def test_sink_is_said_beside_what_is_allowed
    down = [[0, -900, 0, 300, 'descent'], [5, -450, 0, 200, 'descent'], [10, 0, 0, 100, 'descent']]
    line = ->(margin) { marks(drawn(down, margin: margin), 'side').map(&:lines).find { |lines| lines.size > 1 } }

    assert_equal ['60 kt, 600 ft/min down', '320 ft/min under what is allowed'], line.call(318.0)
    assert_equal ['60 kt, 600 ft/min down', '50 ft/min over what is allowed'], line.call(-52.0)
    assert_nil line.call(nil)
  end

  # To the left and back again is no turn of nothing.
  def test_a_turn_to_either_side_says_both
    along = across = 0.0
    sides = (0..40).map do |i|
      heading = -Math::PI / 3 * Math.sin(Math::PI * i / 40)
      [i, along += 90 * Math.cos(heading), across += 90 * Math.sin(heading), 800, 'turn']
    end

    assert_match(/\Aleft, then right in 40 s\z/, said(marks(drawn(sides), 'above'), 'turn')[1])
  end

  # Slowing down in a wind from the side the nose goes round by itself, and the way over the ground stays.
  def test_slowing_down_is_no_turn
    told = marks(plan('gyro_slow_flight'), 'above').map(&:lines)

    assert_match(/\Aheading 3\d\d, \d+ kt over the ground\z/, told.first[1])
  end

  def test_who_stands_still_has_no_speed
    still = (0..10).map { |i| [i, 0, 0, 4, 'hover'] }

    assert_equal [['hover: 4 ft']], marks(drawn(still), 'side').map(&:lines)
    assert_equal ['28 kt, rolling'], marks(plan('gyro_take_off', wind: Fujin::Wind.parse('350/8')), 'side').first.lines
  end

  # What begins on the ground has no height to say.
  def test_a_stretch_that_begins_on_the_ground_does_not_say_so
    from = ->(height) do
      way = (0..10).map { |t| [t, 100 * t, 0, height + (20 * t), 'climb'] }
      marks(drawn(way), 'side').flat_map(&:lines).grep(/climb/).size
    end

    assert_equal([0, 1], [0.9, 1.1].map { |height| from.call(height) })
  end

  # Two hundred and more to ten, less to one; a gate of no height says none; of neither limit nothing.
  def test_how_a_gate_s_band_is_said
    measure = ->(low, high) { { low: low, high: high } }
    said = ->(bands, height: 300.0) do
      path = drawn([[0, -900, 0, 400, 'descent'], [5, -450, 0, 300, 'descent'], [10, 0, 0, 100, 'descent']])
      path.gates = [P::Gate.new(id: 'threshold', height_ft: height, along_ft: -450.0, text: '', measures: bands)]
      marks(path, 'gate').first.lines
    end

    assert_equal ['Threshold: 300 ft', '199 to 200 ft/min down'], said.call({ 'sink_fpm' => measure.call(199.4, 204) })
    assert_equal ['Threshold: 300 ft', 'at most 40 kt over the ground'],
                 said.call({ 'groundspeed_kt' => measure.call(nil, 40.4), 'ias_kt' => measure.call(nil, nil) })
    assert_equal ['Threshold', 'at least 56 kt', 'at most 1,250 ft/min down'],
                 said.call({ 'ias_kt' => measure.call(55.6, nil), 'sink_fpm' => measure.call(0, 1246) }, height: 0.9)
  end

  # Straight down through the air, it goes over the ground with the wind; a nose that points nowhere has no heading.
  def test_what_only_drifts_has_no_heading
    down = (0..10).map { |t| [t, t * -16.878, 0, 500 - (20 * t), 'descent'] }
    told = marks(drawn(down, wind: Fujin::Wind.parse('350/10')), 'above')

    assert_equal [['descent', 'drifts with the wind']], told.map(&:lines)
  end

  def test_every_manoeuvre_says_something_of_where_it_goes
    winds = %w[0/0 350/8 170/5 80/15 350/25].map { |text| Fujin::Wind.parse(text) }
    Fujin::Catalogue.all.product(winds).each do |declared, wind|
      found = begin
        declared.plan(day(declared.kinds.first, wind: wind), P::HouseMethod.new, course_deg: 350.0)
      rescue Fujin::OutsideModel, Fujin::InvalidInput
        next
      end
      told = P::PathMarks.of(found)
      lines = told.flat_map(&:lines)

      assert_empty lines.grep(/NaN|Infinity|--|\A\s*\z/), declared.id
      places = told.flat_map { |mark| [mark.along_ft, mark.across_ft, mark.height_ft] }

      assert_predicate places.sum.to_f, :finite?, declared.id
      long = found.path.last && found.path.last.along_ft - found.path.first.along_ft > 1000

      refute_empty lines, declared.id if long && found.path.size > 5
    end
  end
end
