# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'site_help'
require_relative 'kept_site'

# Sites drawn by lot: ground, slope, obstacles of each shape anywhere about bent lines in and out, another day each. A
# side, a width or a limit that no drawn case of its own looks at shows in some of them.
class KeptGroundTest < Minitest::Test
  include SiteHelp
  include KeptSite

  TYPES = %w[tansy-2 bracken-2 yarrow-4].freeze
  PASSES = %w[surveyed high low].freeze
  CELL_DEG = 0.0003
  CELLS = 130

  (0...4).each do |part|
    define_method("test_ground_drawn_by_lot_is_as_it_was_#{part}") do
      random = Random.new(70 + part)
      found = Array.new(5) { |i| ["site #{i}", told(random)] }.to_h

      assert_empty Kept.differences("ground_#{part}", found)
    end
  end

  # The same among hills, which a grid of heights knows of: all of them, or of some nothing.
  (0...4).each do |part|
    define_method("test_hills_drawn_by_lot_are_as_they_were_#{part}") do
      random = Random.new(90 + part)
      found = Array.new(5) { |i| ["site #{i}", told(random, hills(random))] }.to_h

      assert_empty Kept.differences("hills_#{part}", found)
    end
  end

  private

  def told(random, terrain = nil)
    site = Fujin::Sites::SiteFile.read(document(*drawn(random))) { terrain }
    told_of(drawn_day(site, random))
  end

  # Knolls about the place, each so high and so wide.
  def hills(random)
    south, west = [56.0, -4.0].map { |middle| middle - (CELLS * CELL_DEG / 2.0) }
    knolls = Array.new(random.rand(1..4)) do
      [random.rand(-0.008..0.008), random.rand(-0.012..0.012), random.rand(8.0..70.0), random.rand(0.0008..0.003)]
    end
    gap = random.rand < 0.3 ? random.rand(CELLS / 2) : nil
    rows = Array.new(CELLS) do |row|
      north = south + ((CELLS - row - 0.5) * CELL_DEG) - 56.0
      Array.new(CELLS) { |i| i == gap ? nil : height(knolls, north, west + ((i + 0.5) * CELL_DEG) + 4.0) }
    end
    Fujin::Sites::Terrain.new(west_deg: west, south_deg: south, cell_deg: CELL_DEG, rows: rows)
  end

  def height(knolls, north, east)
    91.44 + knolls.sum do |n, e, high, wide|
      high * Math.exp(-(((north - n)**2) + ((east - e)**2)) / (2.0 * wide * wide))
    end
  end

  def drawn_day(site, random)
    day(site, format('%<from>03d/%<speed>d', from: random.rand(360), speed: random.rand(2..32)),
        type: TYPES.sample(random: random), people: %w[solo dual].sample(random: random),
        oat_c: random.rand(0.0..30.0).round, at: Time.utc(2026, random.rand(1..12), 28, random.rand(7..17)),
        stage: %w[early solo test].sample(random: random))
  end

  def drawn(random)
    [ground(slope_deg: random.rand(0.0..7.0).round(1), falls_toward_deg: random.rand(360),
            elevation_ft: random.rand(0..3000)),
     spot(termination: %w[hover surface].sample(random: random)),
     *lines(random), *obstacles(random), answers(*left_out(random))]
  end

  def lines(random)
    bend = random.rand(-150..150)
    from_approach = [-150, bend * 75.0 / 260.0]
    away = feature('escape', 'LineString', line(from_approach, [0, 200], [200, 500]), id: 'away', line: 'in')
    [approach([-700, bend * 2], [-260, bend / 2.0], [0, 0]), departure([0, 0], [250, -bend / 2.0], [700, bend]),
     *[(away if bend > 50)].compact]
  end

  def obstacles(random)
    [*Array.new(random.rand(1..3)) { |i| tree(*about(random), random.rand(15..90), **known(random, "tree #{i}")) },
     *Array.new(random.rand(0..2)) do |i|
       ends = [%w[seen seen], %w[seen unseen]].sample(random: random)
       wire(about(random), about(random), random.rand(20..80), ends: ends, **known(random, "wire #{i}"))
     end,
     *Array.new(random.rand(0..2)) do |i|
       south, west = about(random)
       north = south + random.rand(10..60)
       east = west + random.rand(10..90)
       wood(south, north, west, east, random.rand(20..120), **known(random, "wood #{i}"))
     end]
  end

  def known(random, id) = { id: id, pass: PASSES.sample(random: random) }

  # Somewhere about the lines, off the spot.
  def about(random) = [[-1, 1].sample(random: random) * random.rand(45..320), random.rand(-70..70)]

  def left_out(random) = ANSWERED.map(&:last).select { random.rand < 0.05 }
end
