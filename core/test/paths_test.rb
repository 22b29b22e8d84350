# frozen_string_literal: true

require_relative 'test_helper'

# Every planned path agrees with itself: the speed it names is the speed it moves with, and the sink is the height's.
class PathsTest < Minitest::Test
  # Between two points a mean lies between theirs; a turn's chord is a little shorter than its arc, a flare not linear.
  SPEED_KT = 4.0
  SINK_FPM = 150.0

  def pairs(path)
    path.each_cons(2).select { |a, b| b.t_s - a.t_s > 0.05 }
  end

  def assert_between(range, value, tolerance, message)
    assert_operator value, :>=, range[0] - tolerance, message
    assert_operator value, :<=, range[1] + tolerance, message
  end

  Fujin::Catalogue.all.each do |manoeuvre|
    define_method("test_the_path_of_#{manoeuvre.id}_moves_as_it_says") do
      id = manoeuvre.kinds.include?('helicopter') ? 'tansy-2' : 'sorrel-g'
      ['000/0', '000/12', '040/10', '180/8'].each do |wind|
        day = conditions(id, wind: Fujin::Wind.parse(wind))
        path = manoeuvre.plan(day, Fujin::Planning::HouseMethod.new, course_deg: 0.0).path
        pairs(path).each do |a, b|
          seconds = b.t_s - a.t_s
          moved = Math.hypot(b.along_ft - a.along_ft, b.across_ft - a.across_ft) * Q::FT / seconds / Q::KT
          speeds = [a.groundspeed_kt.abs, b.groundspeed_kt.abs].minmax
          sinks = [a.sink_fpm, b.sink_fpm].minmax
          sank = (a.height_ft - b.height_ft) / seconds * 60.0
          where = "#{manoeuvre.id} #{wind} at #{a.t_s.round(1)} s, #{a.phase}"

          assert_between speeds, moved, SPEED_KT + (0.04 * moved), "ground speed, #{where}"
          assert_between sinks, sank, SINK_FPM + (0.1 * sank.abs), "sink, #{where}"
        end
      end
    end
  end
end
