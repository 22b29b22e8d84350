# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'

# What is said for a fault or a caution fits the exercise and the aircraft it is said in.
class WordsTest < Minitest::Test
  include PlanHelp

  MIRRORED =
    Fujin::Aircraft::Type.new(
      YAML.safe_load_file(File.join(Fujin::Aircraft::Library::FOLDER, 'tansy-2.yml')).then do |data|
        data.merge('rotor' => data['rotor'].merge('rotation' => 'clockwise'))
      end
    )
  TYPES = [*%w[tansy-2 yarrow-4 sorrel-g].map { |id| Fujin::Aircraft::Library.find(id) }, MIRRORED].freeze

  # A gyroplane has no collective to move, no skids, no cyclic by that name; and nothing to cushion with.
  NOT_IN_A_GYROPLANE = /collective|skid|cyclic|cushion|hover/i
  # In a hovering autorotation nothing goes down but the aircraft, and there is nothing to go round for.
  NOT_IN_A_HOVERING_AUTOROTATION = /collective (goes )?down|left hand goes down|go-around|always down/i
  # With the engine running nothing is without power, and the throttle is part of every answer.
  NOT_WITH_THE_POWER_ON = /power gone|without power|after the power went/i

  Fujin::Catalogue.all.each do |manoeuvre|
    TYPES.select { |t| manoeuvre.for?(t) }.each do |t|
      define_method("test_faults_of_#{manoeuvre.id}_in_a_#{t.id}_#{t.clockwise? ? 'left' : 'right'}_are_told_for_it") do
        manoeuvre.faults.each do |fault|
          said = manoeuvre.words(fault.id, t)
          texts = [said.title, said.cause, said.cue].join(' ')

          refute_match(/%[{<]|wing|\blever\b/, texts, fault.id)
          assert_match(/\A[A-Z]/, said.cue, fault.id)
          refute_match(NOT_IN_A_GYROPLANE, texts, fault.id) if t.kind == 'gyroplane'
          refute_match(NOT_IN_A_HOVERING_AUTOROTATION, texts, fault.id) if manoeuvre.id == 'hovering_autorotation'
          refute_match(NOT_WITH_THE_POWER_ON, texts, fault.id) unless manoeuvre.power_off
        end
      end
    end
  end

  def test_words_of_its_own_are_for_a_fault_that_the_exercise_declares
    kinds = %w[helicopter gyroplane]
    Fujin::Catalogue.all.flat_map(&:faults).uniq.each do |fault|
      (fault.instead.keys - kinds).each do |id|
        assert_includes Fujin::Catalogue.find(id).faults.map(&:id), fault.id, "#{fault.id} in #{id}"
      end
    end
  end

  def test_pedals_follow_the_rotor
    cue = ->(t, id) { Fujin::Catalogue.find(id).words('yaw_uncorrected', t).cue }

    assert_equal 'Right pedal with the throttle; eyes far ahead.', cue.call(type, 'hovering_autorotation')
    assert_equal 'Left pedal with the throttle; eyes far ahead.', cue.call(MIRRORED, 'hovering_autorotation')
    assert_equal 'Right pedal as the collective goes down.', cue.call(type, 'straight_in_autorotation')
  end

  def gate_words(id, **day) = text_of(plan(id, **day), 'gate')

  def test_a_gate_missed_is_a_go_around_only_where_one_can_be_flown
    assert_equal 'A gate missed is a go-around: throttle joined first, then collective.',
                 gate_words('straight_in_autorotation')
    assert_equal 'A gate missed is a go-around.', gate_words('normal_approach')
    %w[hovering_autorotation low_speed_autorotation hover_power_take_off maximum_performance_take_off].each do |id|
      refute_match(/go-around/, gate_words(id), id)
    end
    %w[gyro_take_off gyro_vertical_descent].each do |id|
      refute_match(/go-around/, gate_words(id, type: 'sorrel-g'), id)
    end
    %w[energy_drill hover rectangle].each { |id| assert_nil gate_words(id), id }
  end

  def test_every_gate_says_what_to_look_at
    Fujin::Catalogue.all.each do |manoeuvre|
      plan(manoeuvre.id, type: types_for(manoeuvre).first).gates.each do |gate|
        refute_empty gate.text, "#{manoeuvre.id} #{gate.id}"
        assert_match(/\A[A-Z]/, gate.title)
      end
    end
  end

  def test_only_a_carburettor_is_given_heat
    checks = ->(id) { Fujin::Catalogue.find('straight_in_autorotation').checks_for(type(id)).grep(/carburettor/i) }

    assert_equal([1, 0, 0], [type.id, 'bracken-2', 'yarrow-4'].map { |id| checks.call(id).size })
    wet = { oat_c: 10.0, dew_point_c: 8.0 }
    Fujin::Catalogue.all.each do |manoeuvre|
      types_for(manoeuvre).each do |id|
        said = text_of(plan(manoeuvre.id, type: id, **wet), 'carburettor_ice')

        assert_equal type(id).carburettor?, !said.nil?, "#{manoeuvre.id} #{id}"
      end
    end
  end

  def test_high_up_the_advice_is_the_exercise_s
    hot = { elevation_ft: 5000.0, oat_c: 30.0, people: 'solo' }

    assert_match(/begin higher/, text_of(plan('straight_in_autorotation', **hot), 'density_altitude'))
    refute_match(/begin higher|autorotation/i, text_of(plan('rectangle', **hot), 'density_altitude'))
    assert_match(/longer roll/,
                 text_of(plan('gyro_take_off', type: 'sorrel-g', elevation_ft: 4000.0), 'density_altitude'))
    assert_nil text_of(plan('energy_drill', wind: '180/12', course: 0.0), 'lte')
    assert_match(/stay in ground effect/,
                 text_of(plan('hover_power_take_off', elevation_ft: 4400.0, oat_c: 25.0), 'power_oge'))
  end

  def test_a_gust_over_the_limit_is_called_a_gust
    found = plan('hover', wind: '350/20G32', stage: 'instructor')

    assert_equal 'Gusts to 32 kt, limit 30 kt at instructor stage: not today.', text_of(found, 'stage_gust')
    assert_nil text_of(found, 'stage_wind')
  end

  def test_a_low_rotor_with_the_engine_running_is_answered_with_throttle
    found = plan('low_rotor_rpm_recovery')

    assert_equal 'Power loss at 78 kt: 91 % in 0.7 s with the hands still. Throttle on, collective down, together.',
                 text_of(found, 'reaction')
    assert_in_delta plan('straight_in_autorotation').value('reaction_time_s'), found.value('reaction_time_s'), 0.01
  end

  def test_what_an_unloaded_rotor_does_is_said_wherever_the_stick_goes_forward
    %w[gyro_vertical_descent gyro_slow_flight gyro_balked_landing].each do |id|
      assert_match(/never push.*unloaded rotor/i, text_of(plan(id, type: 'sorrel-g'), 'unloaded'), id)
    end
  end
end
