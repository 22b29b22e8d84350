# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'plan_help'
require_relative 'found_help'

# The gyroplane's short landing: as planned against hand arithmetic, and told from an ordinary one by what was meant.
class GyroShortLandingTest < Minitest::Test
  include PlanHelp
  include FoundHelp

  WIND = '350/8'
  FT = 0.3048
  KT = 1852.0 / 3600.0
  # Wheel brake and rolling together, of the weight, as the landing's plan has them.
  FRICTION = Fujin::Manoeuvres::Gyroplane::LandingPlan::BRAKE + Fujin::Manoeuvres::Gyroplane::LandingPlan::ROLLING

  def short(**options) = plan('gyro_short_landing', type: 'sorrel-g', **options)
  def ordinary(**options) = plan('gyro_landing', type: 'sorrel-g', **options)

  # By hand: v² / 2μg, with three quarters of the ordinary touchdown speed, less the wind.
  def rolled_ft(kt) = ((kt * KT)**2) / (2.0 * FRICTION * 9.80665) / FT

  def test_the_roll_by_hand
    [nil, WIND, '350/15'].each do |wind|
      day = wind ? { wind: wind } : {}
      headwind = wind.to_s.split('/').last.to_f
      touch = 0.75 * ordinary(**day).value('touchdown_ias_kt')

      assert_in_delta touch, short(**day).value('touchdown_ias_kt'), 0.01
      assert_in_delta rolled_ft([touch - headwind, 0.0].max), short(**day).value('slide_ft'), 0.3, wind
      assert_in_delta ordinary(**day).value('slide_ft'), short(**day).value('ordinary_slide_ft'), 0.01
      assert_operator short(**day).value('slide_ft'), :<, ordinary(**day).value('slide_ft')
    end
  end

  # A type file that says no touchdown speed: 54 % of the glide's, at its dual mass.
  def test_a_touchdown_speed_that_is_not_known
    data = YAML.safe_load_file("#{Fujin::Aircraft::Library::FOLDER}/sorrel-g.yml")
    plain = Fujin::Aircraft::Type.new(data.merge('speeds_kt' => data['speeds_kt'].except('touchdown')))
    day = Fujin::Planning::Conditions.build(type: plain, mass_kg: plain.mass_kg('dual'))
    found = M.find('gyro_landing').plan(day, Fujin::Planning::HouseMethod.new, course_deg: nil, height_ft: nil,
                                                                               stage: 'test', settings: {})

    assert_in_delta 0.54 * 52.0, found.value('touchdown_ias_kt'), 1e-6
  end

  # In more wind than the touchdown speed nothing is left to roll; it is not negative.
  def test_no_roll_is_left_against_a_strong_wind
    assert_in_delta 0.0, short(wind: '350/26').value('slide_ft'), 0.01
  end

  def test_the_caution_names_the_speed
    assert_match(/Touch down at 21 kt, not slower/, text_of(short(wind: WIND), 'short'))
  end

  # To a stop in so many seconds from so much ground speed.
  def landed(roll_s)
    flight(wind_kt: 8.0, agl_ft: 500.0)
      .leg(10, gs_kt: 44.0, nr_pct: 95.0).leg(1, throttle_pct: 2.0)
      .leg(3).leg(21, agl_ft: 25.0)
      .leg(4, agl_ft: 0.0, gs_kt: 13.0, pitch_deg: 9.0)
      .leg(roll_s, gs_kt: 0.0, pitch_deg: 0.0).leg(6)
  end

  def judged(roll_s, exercise)
    day = conditions('sorrel-g', wind: Fujin::Wind.parse(WIND))
    grade_csv(landed(roll_s).csv, day: day, exercise: exercise, stage: 'solo').proposals.first
  end

  def test_it_is_told_from_an_ordinary_one_by_what_was_meant
    assert_equal(%w[gyro_landing gyro_short_landing],
                 [nil, 'gyro_short_landing'].map { |exercise| judged(3, exercise).attempt.manoeuvre })
  end

  # 13 kt off evenly over so many seconds is half of that in distance: 8 s is 88 ft, against 19 ft planned.
  # An ordinary landing's roll is not judged at all.
  def test_the_roll_is_judged
    [[1.5, 16.5], [8, 88.0]].each do |seconds, feet|
      assert_in_delta feet, judged(seconds, 'gyro_short_landing').measures['slide_ft'].value, 6
    end
    assert_includes %w[polished in], judged(1.5, 'gyro_short_landing').measures['slide_ft'].verdict
    assert_equal 'out', judged(8, 'gyro_short_landing').measures['slide_ft'].verdict
    assert_nil judged(8, nil).measures['slide_ft'].verdict
  end
end
