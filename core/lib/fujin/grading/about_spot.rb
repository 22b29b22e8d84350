# frozen_string_literal: true

module Fujin
  module Grading
    # Where the aircraft is from a place on the ground: feet along a course, + beyond it, and across, + right of it.
    # NaN where no position was recorded.
    class AboutSpot
      # @param signals [Recordings::Signals]
      # @param spot [Array(Float, Float)] latitude and longitude
      # @param course_deg [Float] true
      def initialize(signals, spot, course_deg)
        @signals = signals
        @map = LocalMap.new(*spot)
        @course_deg = course_deg
      end

      # @return [Array(Float, Float)] at a sample
      def place(index) = recorded? ? from(@signals[:lat][index], @signals[:lon][index]) : [Float::NAN, Float::NAN]

      # @return [Array(Float, Float)] at a time, by straight line between samples
      def place_at(time_s) =
        recorded? ? from(@signals.at(:lat, time_s), @signals.at(:lon, time_s)) : [Float::NAN, Float::NAN]

      def along(index) = place(index)[0]
      def across(index) = place(index)[1]

      # Straight distance, feet.
      def distance(index) = Math.hypot(*place(index))

      private

      def recorded? = @signals.signal?(:lat) && @signals.signal?(:lon)

      def from(lat, lon) =
        LocalMap.along_across(*@map.north_east(lat, lon), @course_deg).map { |metres| metres / Quantities::FT }
    end
  end
end
