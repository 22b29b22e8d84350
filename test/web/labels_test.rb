# frozen_string_literal: true

require_relative '../web_helper'

# Texts beside what they are about: none over another, none over what is drawn, the weightiest first.
class LabelsTest < Minitest::Test
  include WebModule

  BOUNDS = { 'left' => 0, 'top' => 0, 'right' => 400, 'bottom' => 200 }.freeze

  def label(key, x, y, weight = 1, lines = [key]) =
    { 'key' => key, 'x' => x, 'y' => y, 'lines' => lines, 'weight' => weight }

  def placed(labels, bounds = BOUNDS, taken = [])
    ask('pictures/placing.ts', ['placeLabels', labels, bounds, taken]).first
  end

  def apart?(one, other)
    one['right'] <= other['left'] || other['right'] <= one['left'] || one['bottom'] <= other['top'] ||
      other['bottom'] <= one['top']
  end

  def test_a_text_stands_right_of_its_place_where_there_is_room
    box = placed([label('gate', 100, 100)]).first['box']

    assert_equal [109, 92.5, 107.5], [box['left'], box['top'], box['bottom']]
    assert_operator placed([label('gate', 395, 100)]).first['box']['right'], :<=, 386, 'left of it at the edge'
  end

  def test_many_at_one_place_stand_apart_and_inside
    boxes = placed(Array.new(12) { |i| label("leg #{i}", 200 + i, 100, i) }).map { |one| one['box'] }

    assert_operator boxes.size, :>=, 6
    assert_empty(boxes.combination(2).reject { |a, b| apart?(a, b) })
    assert(boxes.all? { |box| box['left'] >= 0 && box['right'] <= 400 && box['top'] >= 0 && box['bottom'] <= 200 })
  end

  def test_what_is_taken_stays_free_and_the_weightiest_stays
    wall = { 'left' => 0, 'top' => 0, 'right' => 400, 'bottom' => 140 }
    kept = placed([label('small', 200, 175, 1), label('large', 200, 175, 9, %w[large second third])], BOUNDS, [wall])

    assert_equal 'large', kept.first['key']
    assert_empty(kept.reject { |one| apart?(one['box'], wall) })
    assert_empty placed([label('outside', 500, 100)])
    assert_empty placed([label('nothing', 100, 100, 1, [])])
  end

  # Where its first place has no room near, another place of the same thing does as well.
  def test_another_place_is_as_good
    wall = { 'left' => 90, 'top' => 40, 'right' => 400, 'bottom' => 200 }
    found = placed([label('line', 200, 100).merge('or' => [{ 'x' => 40, 'y' => 20 }])], BOUNDS, [wall]).first

    assert_equal [40, 20], found.values_at('x', 'y')
    refute found['leads']
  end

  # A line from a place to its text crosses no text.
  def test_a_far_text_is_led_to
    around = placed(Array.new(14) { |i| label("leg #{i}", 200, 100) })
    far = around.select { |one| one['leads'] }

    refute_empty far
    far.each { |one| assert_operator (one['leads']['x'] - 200).abs + (one['leads']['y'] - 100).abs, :>, 16 }
  end

  def test_a_line_takes_its_whole_length
    boxes = ask('pictures/placing.ts', ['alongLine', [[0, 0], [60, 0]], 3]).first

    assert_equal 11, boxes.size
    assert_equal [57, 63], boxes.last.values_at('left', 'right')
  end
end
