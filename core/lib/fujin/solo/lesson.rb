# frozen_string_literal: true

module Fujin
  module Solo
    # A lesson as a solo authority looks at it. Gusts are the wind where there are none; visibility and cloud base are
    # nil where nobody reported them.
    Lesson = Value.define(:exercises, :places, :aircraft_id, :day, :daylight, :wind_kt, :gust_kt, :crosswind_kt,
                          :visibility_m, :cloud_base_ft)
  end
end
