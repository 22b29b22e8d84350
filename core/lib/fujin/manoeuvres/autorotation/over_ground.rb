# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # What flown segments cover over the ground along the final course in the day's wind: entry and glide crabbed onto
      # it, the flare slipped.
      class OverGround
        Q = Quantities

        # @param course_deg [Float] final course, @param ending [String] of the house method
        def initialize(conditions, course_deg:, ending:)
          @headwind_kt = conditions.wind.headwind_kt(course_deg)
          @across = (conditions.wind.crosswind_kt(course_deg) * Q::KT).abs
          @ending = ending
        end

        # Ground speed for a true airspeed held on the course with the right drift angle, m/s.
        # @param change_kt [Float] headwind more than the day's
        def ground_speed(true_speed, change_kt = 0.0)
          (true_speed > @across ? Math.sqrt((true_speed**2) - (@across**2)) : 0.0) - headwind(change_kt)
        end

        # In the flare the nose comes onto the course and the drift is held by the low side, so that the airspeed along
        # the course and the ground speed differ by the headwind alone.
        def flare_ground_speed(air_along, change_kt = 0.0) = air_along - headwind(change_kt)

        # @param entry [FlownSegments::Segment]
        # @return [Float] metres
        def entry_m(entry, change_kt = 0.0) =
          entry.rows.each_cons(2).sum do |a, b|
            ground_speed((a.air_along_m_s + b.air_along_m_s) / 2.0, change_kt) * (b.t_s - a.t_s)
          end

        # The flare as far as the point the spot stands for: the hover over the ground, the start of the ground run, or
        # the first contact.
        # @return [FlownSegments::Segment]
        def flare_to_end(flare, change_kt = 0.0)
          stop =
            case @ending
            when 'touchdown' then flare.rows.index { |row| row.phase == :touchdown }
            when 'recovery_run' then flare.rows.index { |row| row.phase == :recovery }
            else
              unless change_kt.zero?
                flare.rows.index { |row| flare_ground_speed(row.air_along_m_s, change_kt) < FlownSegments::HOVER_M_S }
              end
            end
          FlownSegments::Segment.new(rows: flare.rows[0..(stop || -1)])
        end

        # @return [Float] metres from the flare's beginning to that point
        def flare_m(flare, change_kt = 0.0)
          rows = flare_to_end(flare, change_kt).rows
          (rows.last.air_m - rows.first.air_m) - (headwind(change_kt) * (rows.last.t_s - rows.first.t_s))
        end

        # @return [Float, nil] m/s over the ground where it touches or runs on; nil for a hover
        def contact_speed(flare)
          phase = { 'touchdown' => :touchdown, 'recovery_run' => :recovery }[@ending]
          row = phase && flare.rows.find { |r| r.phase == phase }
          row && [flare_ground_speed(row.air_along_m_s), 0.0].max
        end

        private

        def headwind(change_kt) = (@headwind_kt + change_kt) * Q::KT
      end
    end
  end
end
