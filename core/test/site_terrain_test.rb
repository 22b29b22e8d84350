# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'site_help'

# Heights of the ground from a grid: read, asked between cells, and under a line.
class SiteTerrainTest < Minitest::Test
  include SiteHelp

  Sites = Fujin::Sites
  FT = 0.3048
  DEG = Math::PI / 180

  GRID = <<~ASC
    ncols 3
    nrows 2
    xllcorner -14.0
    yllcorner 47.0
    cellsize 0.01
    NODATA_value -9999
    10 20 -9999
    30 40 50
  ASC

  # A plane of cells about the made-up meadow, rising to the north from `from_m` by `rise` metres a metre.
  def hill(rise:, from_m: 100.0, cell_deg: 0.0002, cells: 220, base_m: 91.44)
    south = 56.0 - (cells * cell_deg / 2.0)
    west = -4.0 - (cells * cell_deg / 2.0)
    rows = (0...cells).map do |row|
      north = (south + ((cells - row - 0.5) * cell_deg) - 56.0) * metres_a_degree
      Array.new(cells) { base_m + ([north - from_m, 0.0].max * rise) }
    end
    Sites::Terrain.new(west_deg: west, south_deg: south, cell_deg: cell_deg, rows: rows)
  end

  def metres_a_degree = MAP.north_east(57.0, -4.0)[0]
  def on(terrain, *features) = Sites::SiteFile.read(document(ground, spot, *features)) { terrain }
  def away = departure([0, 0], [900, 0])

  def test_between_the_middles_of_cells_heights_are_in_proportion
    terrain = Sites::TerrainFile.read(GRID)

    assert_in_delta 10.0, terrain.height_m(47.015, -13.995), 1e-9
    assert_in_delta 25.0, terrain.height_m(47.010, -13.990), 1e-6
    # A quarter of a cell east and a quarter south of the first: 10 + 10/4 + 20/4.
    assert_in_delta 17.5, terrain.height_m(47.0125, -13.9925), 1e-6
    assert_nil terrain.height_m(47.010, -13.980), 'beside a cell without a height'
    assert_nil terrain.height_m(46.9, -13.99)
  end

  def test_a_grid_by_the_middle_of_its_cells_is_the_same_grid
    middles = GRID.sub('xllcorner -14.0', 'xllcenter -13.995').sub('yllcorner 47.0', 'yllcenter 47.005')

    assert_in_delta 17.5, Sites::TerrainFile.read(middles).height_m(47.0125, -13.9925), 1e-6
  end

  # As far south as 90 degrees, as far west as 180.
  def test_a_corner_lies_on_the_earth
    read = ->(west, south) do
      Sites::TerrainFile.read(GRID.sub('xllcorner -14.0', "xllcorner #{west}").sub('yllcorner 47.0',
                                                                                   "yllcorner #{south}"))
    end

    assert_in_delta(-179.5, read.call(-179.5, -89.5).west_deg)
    said = assert_raises(Fujin::InvalidInput) { read.call(-14.0, -90.5) }.message
    assert_match(/yllcorner: expected degrees from -90 to 90, got -90\.5/, said)
    said = assert_raises(Fujin::InvalidInput) { read.call(180.5, 47.0) }.message
    assert_match(/xllcorner: expected degrees from -180 to 180, got 180\.5/, said)
  end

  def test_a_window_of_a_grid_has_the_same_heights
    terrain = hill(rise: 0.1)
    window = terrain.near(56.0, -4.0, 0.005)

    assert_operator window.rows.size, :<, terrain.rows.size
    [[56.002, -4.001], [55.998, -3.997]].each do |place|
      assert_in_delta terrain.height_m(*place), window.height_m(*place), 1e-6
    end
    assert_nil terrain.near(10.0, -4.0, 0.005)
  end

  # A knoll of 30 m at 150 m north and as far east, 212 m away: what a square would have in it and a circle has not.
  def test_the_highest_ground_around_is_looked_for_in_a_circle
    flat = hill(rise: 0.0)
    rows = flat.rows.each_with_index.map do |row, i|
      row.each_with_index.map do |height, j|
        lat = flat.south_deg + ((flat.rows.size - i - 0.5) * flat.cell_deg)
        place = Complex(*MAP.north_east(lat, flat.west_deg + ((j + 0.5) * flat.cell_deg)))
        (place - Complex(150.0, 150.0)).abs < 25.0 ? height + 30.0 : height
      end
    end
    knoll = Sites::Relief.new(Sites::Terrain.new(west_deg: flat.west_deg, south_deg: flat.south_deg,
                                                 cell_deg: flat.cell_deg, rows: rows), MAP)

    assert_operator knoll.highest_m(170.0), :<, 5.0
    assert_operator knoll.highest_m(230.0), :>, 25.0
  end

  def step_of(metres)
    flat = hill(rise: 0.0)
    rows = flat.rows.each_with_index.map { |row, i| i < 90 ? row.map { |height| height + metres } : row }
    Sites::Terrain.new(west_deg: flat.west_deg, south_deg: flat.south_deg, cell_deg: flat.cell_deg, rows: rows)
  end

  def north = Sites::Corridor.new([Complex(0, 0), Complex(900, 0)],
                                  ring: [[-40, -40], [40, -40], [40, 40], [-40, 40]].map { |n, e| Complex(n, e) },
                                  half_width_m: 9.0, reach_m: 900.0)

  # Five feet of it are level ground; heights along the line are over the spot's own.
  def test_ground_that_rises_five_feet_stands_under_a_line
    low, high = [1.4, 1.6].map { |metres| Sites::Relief.new(step_of(metres), MAP) }

    assert_empty low.hits(north, ground_m: 0.0)
    refute_empty high.hits(north, ground_m: 0.0)
    assert_equal([[460.0, 480.0], [480.0, 500.0]],
                 high.hits(north, ground_m: 0.0).first(2).map { |hit| [hit.from_m, hit.to_m] })
    assert_empty high.hits(north, ground_m: 0.2)
    assert_in_delta 1.6, high.profile(north, ground_m: 0.0).last.last, 0.01
    assert_in_delta 1.1, high.profile(north, ground_m: 0.5).last.last, 0.01
    assert_in_delta(-0.5, high.profile(north, ground_m: 0.5).first.last, 0.01)
    # On the usable ground itself, 40 m to the north, the survey knows better; then each 20 m, from their middle on.
    assert_equal [0.0, 50.0, 70.0, 90.0], high.profile(north, ground_m: 0.0).first(4).map(&:first)
  end

  # Ten metres higher from so far beside the line eastward.
  def bank(metres)
    flat = hill(rise: 0.0)
    a_degree_east = MAP.north_east(56.0, -3.0)[1]
    rows = flat.rows.map do |row|
      row.each_with_index.map do |height, i|
        ((flat.west_deg + ((i + 0.5) * flat.cell_deg)) + 4.0) * a_degree_east > metres ? height + 10.0 : height
      end
    end
    Sites::Terrain.new(west_deg: flat.west_deg, south_deg: flat.south_deg, cell_deg: flat.cell_deg, rows: rows)
  end

  # 300 m to the north, then 400 m to the east, then straight on.
  def test_where_a_bent_line_is_and_which_way_it_goes
    bent = Sites::Corridor.new([Complex(0, 0), Complex(300, 0), Complex(300, 400)], ring: [], half_width_m: 9.0,
                                                                                    reach_m: 900.0)
    places = { 100.0 => Complex(100, 0), 300.0 => Complex(300, 0), 500.0 => Complex(300, 200),
               900.0 => Complex(300, 600) }

    places.each { |distance, place| assert_in_delta 0.0, (bent.at(distance) - place).abs, 1e-9 }
    assert_equal([0.0, 90.0], [100.0, 500.0].map { |distance| bent.course_deg(distance).round(6) })
  end

  # Half as wide as 9 m and a tenth of the way beyond the ground's edge at 40 m: 50 m aside are come to at 450 m, give
  # or take a cell of the grid, 130 m nowhere.
  def test_ground_that_rises_beside_a_line_stands_under_it_where_it_is_wide_enough
    beside = Sites::Relief.new(bank(50.0), MAP).hits(north, ground_m: 0.0)

    assert_in_delta 450.0, beside.first.from_m, 140.0
    assert_in_delta 900.0, beside.last.to_m, 20.0
    assert_empty Sites::Relief.new(bank(130.0), MAP).hits(north, ground_m: 0.0)
  end

  BROKEN = {
    ['ncols 3', 'ncols 3.5'] => /ncols: expected a whole number/,
    ['cellsize 0.01', 'cellsize 30'] => /cellsize: .* written anew in longitude and latitude/,
    ['xllcorner -14.0', 'xllcorner 412000'] => /xllcorner: expected degrees/,
    ['10 20 -9999', '10 20'] => /line 7: expected 3 heights, got 2/,
    ['10 20 -9999', 'ten 20 -9999'] => /line 7: expected a height in metres, got "ten"/,
    ['30 40 50', '30 forty 50'] => /line 8: expected a height in metres, got "forty"/,
    ['30 40 50', '30 40 99999'] => /line 8: expected a height from -500 to 9000 m/,
    ["30 40 50\n", ''] => /expected 2 rows of heights after the head, got 1/,
    ["nrows 2\n", ''] => /its head has no nrows/,
    %w[cellsize projection] => /line 5: projection is not one of/
  }.freeze

  def test_what_is_no_grid_is_refused_with_its_place
    BROKEN.each do |(part, broken), message|
      error = assert_raises(Fujin::InvalidInput) { Sites::TerrainFile.read(GRID.sub(part, broken)) }
      assert_match message, error.message
    end
    ['', "\xFF\xFE binary", '{"type": 1}'].each do |text|
      assert_match(/expected an ASCII grid/, assert_raises(Fujin::InvalidInput) do
        Sites::TerrainFile.read(text)
      end.message)
    end
  end

  # A slope of one in five from 100 m on: the farther, the nearer to its own angle of 11.3°; with 20 ft kept over it.
  def test_ground_that_rises_under_a_line_is_in_its_way
    found = report(on(hill(rise: 0.2), approach, away)).departures[0].sight
    by_hand = (110..900).map { |d| Math.atan2(((d - 100) * 0.2) + (20 * FT), d) / DEG }.max

    assert_equal 'rising-ground', found.decides
    assert_in_delta by_hand, found.angle.value, 0.4
    assert_operator found.angle.high, :>, found.angle.value
    assert_nil report(on(nil, approach, away)).departures[0].sight.angle.value
  end

  def test_level_and_falling_ground_changes_nothing
    [hill(rise: 0.0), hill(rise: -0.3)].each do |terrain|
      found = report(on(terrain, approach, away, tree(200, 0, 60)))
      bare = report(on(nil, approach, away, tree(200, 0, 60)))

      assert_equal bare.departures[0].sight.angle, found.departures[0].sight.angle
      assert_equal bare.approaches[0].break_off.gate_m, found.approaches[0].break_off.gate_m
    end
  end

  # The way round leads up the hill: it has to be decided earlier, or nowhere.
  def test_a_go_around_has_to_clear_the_hill_too
    bare = report(on(nil, approach)).approaches[0].break_off
    before_a_hill = report(on(hill(rise: 0.25), approach)).approaches[0].break_off

    assert_equal 'anywhere', bare.last_m
    refute_equal 'anywhere', before_a_hill.last_m
  end

  # A grid 40 m off in height, as some are against the sea's mean level, says the same of the ground.
  def test_a_grid_whose_zero_is_off_says_the_same
    one, other = [91.44, 131.44].map { |base| report(on(hill(rise: 0.2, base_m: base), approach, away)) }

    assert_in_delta one.departures[0].sight.angle.value, other.departures[0].sight.angle.value, 1e-9
    refute(one.cautions.any? { |caution| caution.id == 'grid_differs' })
    assert(other.cautions.any? { |caution| caution.id == 'grid_differs' })
  end

  def test_a_wood_on_a_hill_stands_by_its_own_height
    found = on(hill(rise: 0.2), wood(400, 420, -30, 30, 250)).obstacles[0]

    assert_in_delta 310 * 0.2, found.base_m, 1.5
    assert_in_delta (250 * FT) - (310 * 0.2), found.stands_m, 1.5
  end

  def test_where_the_grid_ends_under_a_line_it_is_said
    found = report(on(hill(rise: 0.0, cells: 60), approach))
    words = Fujin::Manoeuvres::Confined::SiteCautions.new(found).of_approach(found.approaches[0])

    # Half of 60 cells of 0.0002°, less half a cell: 5.9 thousandths of a degree, 657 m, 2,150 ft.
    assert_match(/no heights beyond 2(1\d|20)\d ft/, words.find { |one| one.id == 'grid_ends' }.text)
  end

  # 300 ft over the highest ground within 500 m, where that is more than 500 over the site.
  def test_the_orbit_stays_over_the_hill
    found = report(on(hill(rise: 0.4), approach)).reconnaissance.orbit_height.value

    assert_in_delta (400 * 0.4 / FT) + 300, found, 40
  end

  def test_a_grid_without_a_height_at_the_site_is_refused
    assert_raises(Fujin::OutsideModel) { on(Sites::TerrainFile.read(GRID), approach) }
  end
end
