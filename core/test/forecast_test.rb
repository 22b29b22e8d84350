# frozen_string_literal: true

require_relative 'test_helper'

# A TAF read as the Manual on Codes says.
class ForecastTest < Minitest::Test
  NOW = Time.utc(2026, 11, 30, 22)

  def read(text, now: NOW) = Fujin::Forecast.new(text, now)

  def test_days_run_on_into_the_next_month
    taf = read('TAF AMD XQLM 302300Z 3023/0124 VRB03KT 9999 NSC=')

    assert_equal [Time.utc(2026, 11, 30, 23), Time.utc(2026, 12, 2, 0)], [taf.from, taf.to]
    assert_equal({ from_deg: nil, kt: 3, gust_kt: nil }, taf.stretches[0].wind)
    assert_nil taf.stretches[0].cloud_base_ft
  end

  def test_lasting_changes_and_those_that_come_over_it
    taf = read('TAF XQLM 300500Z 3006/0106 27008MPS 6000 SCT010 OVC025 BECMG 3010/3012 BKN008 ' \
      'FM301530 31012G24KT 9999 PROB40 TEMPO 3018/3020 1500 +TSRA VV002')
    hows = taf.stretches.map { |one| [one.how, one.from.hour, one.to.hour] }

    assert_equal [['expected', 6, 12], ['changing to', 10, 12], ['expected', 12, 15], ['expected', 15, 6],
                  ['perhaps', 18, 20]], hows
    base, _, changed, later, storm = taf.stretches

    assert_equal [16, 2500], [base.wind[:kt], base.cloud_base_ft], '8 m/s are 15.6 kt'
    assert_equal [6000, 800], [changed.visibility_m, changed.cloud_base_ft], 'what is not named goes on'
    assert_equal [{ from_deg: 310, kt: 12, gust_kt: 24 }, 10_000, nil],
                 [later.wind, later.visibility_m, later.cloud_base_ft], 'FM begins anew'
    assert_equal [1500, 200], [storm.visibility_m, storm.cloud_base_ft]
  end

  def test_what_reaches_into_a_flight
    taf = read('TAF XQLM 300500Z 3006/3018 27010KT CAVOK TEMPO 3010/3012 3000')

    assert_equal ['expected', 'at times'],
                 taf.during(Time.utc(2026, 11, 30, 9), Time.utc(2026, 11, 30, 10, 1)).map(&:how)
    assert_equal ['expected'], taf.during(Time.utc(2026, 11, 30, 9), Time.utc(2026, 11, 30, 10)).map(&:how)
    assert_empty taf.during(Time.utc(2026, 11, 30, 17), Time.utc(2026, 11, 30, 18, 1))
  end

  def test_what_is_no_forecast
    ['', 'XQLM 300500Z 35010KT', '<html>', 'TAF XQLM 300500Z 4506/4518 27010KT',
     'TAF XQLM 300500Z 3006/3018 TEMPO 27010KT']
      .each do |text|
      assert_raises(Fujin::Forecast::Unreadable, text) { read(text) }
    end
  end
end
