# frozen_string_literal: true

require_relative 'test_helper'

# Type files: what is good, what is refused, and that the message names the field.
class AircraftTypeTest < Minitest::Test
  def data = YAML.safe_load(YAML.dump(type.data))

  def problems_with
    changed = data
    yield changed
    assert_raises(Fujin::InvalidInput) { Fujin::Aircraft::Type.new(changed) }.problems.map { |p| p[:path] }
  end

  def test_every_shipped_type_is_good
    Fujin::Aircraft::Library.all.each { |found| assert_empty Fujin::Aircraft::Schema.problems(found.data), found.id }
  end

  def test_people_and_fuel_come_on_top_of_the_empty_mass
    assert_in_delta type.fetch('masses_kg.empty') + 150.0 + 40.0, type.loaded_mass_kg(people_kg: 150.0, fuel_kg: 40.0)
  end

  def test_every_problem_is_named_at_once
    paths = problems_with do |file|
      file['rotor'].delete('radius_m')
      file['rotor']['blades'] = 'two'
      file['engine']['kind'] = 'steam'
      file['rotor_rpm_pct']['power_off'] = [111, 91]
    end

    assert_equal %w[engine.kind rotor.blades rotor.radius_m rotor_rpm_pct.power_off], paths.sort
  end

  def test_masses_stand_in_order
    assert_equal(['masses_kg.dual'], problems_with { |file| file['masses_kg']['solo'] = 590 })
  end

  # Changed where a contradiction can be made: each names the field that is too small for the other.
  {
    'speeds_kt.never_exceed' => ->(f) { f['speeds_kt']['never_exceed_power_off'] = 150 },
    'speeds_kt.glide' => ->(f) { f['speeds_kt']['lowest_glide'] = 90 },
    'rotor_rpm_pct.low_warning' => ->(f) { f['rotor_rpm_pct']['low_warning'] = 50 },
    'rotor_rpm_pct.power_off.low' => ->(f) { f['rotor_rpm_pct']['power_off'] = [70, 111] },
    'rotor_rpm_pct.absolute.high' => ->(f) { f['rotor_rpm_pct']['power_on'] = [98, 150] },
    'height_velocity.low_speed_ft_kt' => ->(f) { f['height_velocity']['low_speed_ft_kt'].reverse! }
  }.each do |path, change|
    define_method("test_a_file_that_contradicts_itself_about_#{path.tr('.', '_')}_is_refused") do
      assert_includes problems_with { |file| change.call(file) }, path
    end
  end

  # Every range of every kind: its ends are taken, just beyond them is refused by the field's name. Of a pair, from one
  # end to the other.
  %w[helicopter gyroplane].each do |kind|
    define_method("test_ranges_of_a_#{kind}_are_kept_on_either_side") do
      good = type(kind == 'helicopter' ? 'tansy-2' : 'sorrel-g').data
      ranges = Fujin::Aircraft::Schema.rules_for(kind).select { |_, rule| %i[number pair].include?(rule[:kind]) }
      ranges.each do |path, rule|
        low, high = rule.values_at(:low, :high)
        step = (high - low) * 1e-6
        pair = rule[:kind] == :pair
        inside = pair ? [[low, high]] : [low, high]
        beyond = pair ? [[low - step, high], [low, high + step]] : [low - step, high + step]

        inside.each { |value| refute_includes out_of_range(good, path, value), path }
        beyond.each { |value| assert_includes out_of_range(good, path, value), path }
      end

      assert_empty Kept.differences("type_ranges_#{kind}", ranges.transform_values { |r|
        r.slice(:low, :high).transform_keys(&:to_s)
      })
    end
  end

  # Fields that are no number of their range; how they stand beside others is another matter.
  def out_of_range(good, path, value)
    keys = path.split('.')
    file = YAML.safe_load(YAML.dump(good))
    (keys.size > 1 ? (file[keys.first] ||= {}) : file)[keys.last] = value
    wrong = /a number from|\[lower, upper\] from/
    Fujin::Aircraft::Schema.problems(file).select { |problem| wrong.match?(problem[:message]) }.map { |p| p[:path] }
  end

  def test_numbers_that_are_none_are_refused
    assert_includes problems_with { |file| file['rotor']['radius_m'] = Float::NAN }, 'rotor.radius_m'
    assert_includes problems_with { |file| file['rotor']['radius_m'] = Float::INFINITY }, 'rotor.radius_m'
  end

  def test_unknown_keys_are_kept
    changed = data.merge('remark' => 'school copy')

    assert_equal 'school copy', Fujin::Aircraft::Type.new(changed).data['remark']
  end

  def test_text_that_is_no_table_is_refused
    ["- a\n- b\n", 'just words', "a: [1,\n", "!ruby/object:Object {}\n", ''].each do |text|
      assert_raises(Fujin::InvalidInput, text) { Fujin::Aircraft::Type.parse(text) }
    end
  end

  # Two corners are an area's edge; one is none.
  def test_an_area_to_avoid_of_two_corners_is_drawn
    data = YAML.safe_load_file("#{Fujin::Aircraft::Library::FOLDER}/tansy-2.yml")
    area = ->(corners) do
      told = data.merge('height_velocity' => { 'low_speed_ft_kt' => corners, 'high_speed_ft_kt' => [] })
      Fujin::Planning::HeightVelocity.new(Fujin::Aircraft::Type.new(told))
    end
    two, one = [[[10, 0], [400, 0]], [[10, 0]]].map { |corners| area.call(corners) }

    assert_equal([[[[0.0, 10.0], [0.0, 400.0]]], true], [two.shapes.map(&:points), two.known?])
    assert_equal [[], false], [one.shapes, one.known?]
  end

  # 49.8 rad/s are 475.6 revolutions a minute.
  def test_revolutions_a_minute_of_the_rotor
    assert_in_delta 475.56, type('tansy-2').normal_rotor_rpm, 0.01
  end

  def test_pedals_follow_the_rotor
    assert_equal 'right', type('tansy-2').power_loss_pedal
    assert_equal 'left', type('bracken-2').power_loss_pedal
  end

  def test_an_unknown_type_lists_what_there_is
    error = assert_raises(Fujin::UnknownName) { Fujin::Aircraft::Library.find('nettle-9') }

    assert_includes error.message, 'tansy-2'
  end

  def test_a_type_is_frozen_all_through
    assert_predicate type.data['rotor'], :frozen?
    assert_raises(FrozenError) { type.data['rotor']['radius_m'] = 1 }
  end
end
