# frozen_string_literal: true

require_relative 'test_helper'

# Ellipses of where landings end, against hand arithmetic and drawn points.
class ScatterTest < Minitest::Test
  Scatter = Fujin::Scatter

  def test_four_points_say_too_little
    assert_empty Scatter.rings([[0, 0], [1, 0], [0, 1], [1, 1]])
    assert_equal [50, 90], Scatter.rings([[0, 0], [1, 0], [0, 1], [1, 1], [2, 1]]).map(&:share_pct)
  end

  def test_the_half_ellipse_of_points_on_a_cross
    ring = Scatter.rings([[10.0, 5.0], [14.0, 5.0], [6.0, 5.0], [10.0, 7.0], [10.0, 3.0]]).first
    # Variances (16 + 16)/4 = 8 and (4 + 4)/4 = 2; half lies within √(2 ln 2) = 1.1774 deviations.
    along, across = ring.points.transpose

    assert_in_delta 10.0 + (1.1774 * Math.sqrt(8.0)), along.max, 0.001
    assert_in_delta 5.0 - (1.1774 * Math.sqrt(2.0)), across.min, 0.02
    assert_equal(ring.points.first.map { |v| v.round(9) }, ring.points.last.map { |v| v.round(9) })
  end

  def test_the_share_of_drawn_points_inside_is_what_the_ring_says
    random = Random.new(3)
    points = Array.new(4000) do
      u, v = Array.new(2) { Fujin::NormalRandom.draw(random) }
      [(30.0 * u) - 12.0, (18.0 * u) + (9.0 * v) + 4.0]
    end
    Scatter.rings(points).each do |ring|
      inside = points.count { |point| inside?(point, ring.points) }

      assert_in_delta ring.share_pct, 100.0 * inside / points.size, 2.0
    end
  end

  def test_points_on_one_line_have_a_flat_ellipse
    ring = Scatter.rings((0..6).map { |i| [0.0, i * 2.0] }).last

    assert(ring.points.all? { |along, _| along.abs < 1e-9 })
  end

  private

  # Is it left of every edge, the ring running anticlockwise in (along, across)?
  def inside?(point, ring)
    ring.each_cons(2).all? do |from, to|
      ((to[0] - from[0]) * (point[1] - from[1])) - ((to[1] - from[1]) * (point[0] - from[0])) >= 0
    end
  end
end
