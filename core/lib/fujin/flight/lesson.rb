# frozen_string_literal: true

module Fujin
  module Flight
    # A recording of several attempts in one flight, joined by quiet stretches of climb and cruise back to the start,
    # as a recorder left running would hold it.
    class Lesson
      CLIMB_FPM = 700.0
      HOVER_PAUSE_S = 8.0
      # After a touchdown the engine is given power and brings the rotor back before anything else.
      SPIN_UP_S = 6.0
      DRIVEN = %w[nr_pct ne_pct throttle_pct map_inhg tq_pct].freeze

      # @param faults [Array<Hash>] one set of pilot faults an attempt
      # @param manoeuvre [String] that a pilot model flies, with its settings
      # @param origin [Array(Float, Float)] latitude and longitude of the spot
      def initialize(conditions, faults:, origin:, elevation_ft: 0.0, house: Planning::HouseMethod.new, height_ft: nil, rate_hz: 10.0, seed: 1,
                     course_deg: nil, manoeuvre: 'straight_in_autorotation', settings: {})
        @conditions = conditions
        @faults = faults
        @origin = origin
        @elevation_ft = elevation_ft
        @house = house
        @height_ft = height_ft
        @rate_hz = rate_hz
        @seed = seed
        @course_deg = course_deg
        @manoeuvre = manoeuvre
        @settings = settings
      end

      # @return [Array<Hash{String => Float}>] samples by channel name, times from 0
      def samples
        @samples ||= begin
          recorder = Recorder.new(type: @conditions.type, origin: @origin, elevation_ft: @elevation_ft, rate_hz: @rate_hz, seed: @seed)
          flights = @faults.map { |faults| flown(faults) }
          join(flights.map { |run| recorder.rows(run).map { |row| recorder.columns.zip(row).to_h } })
        end
      end

      def duration_s = samples.last['t_s']

      # @return [String] CSV in the recording format
      def csv
        columns = samples.first.keys
        ([columns.join(',')] + samples.map { |sample| sample.values_at(*columns).join(',') }).join("\n") << "\n"
      end

      private

      def flown(faults)
        Manoeuvres.find(@manoeuvre).pilot.call(@conditions, house: @house, height_ft: @height_ft, course_deg: @course_deg, settings: @settings, faults: faults).run
      end

      def join(attempts)
        attempts.each_with_object([]) do |attempt, all|
          all.concat(return_leg(all.last, attempt.first)) if all.any?
          offset = all.any? ? all.last['t_s'] + (1.0 / @rate_hz) : 0.0
          all.concat(attempt.map { |sample| sample.merge('t_s' => (sample['t_s'] + offset).round(3)) })
        end
      end

      # From the hover or the ground back to the start of the next run: every channel by straight lines, with the power on.
      def return_leg(from, to)
        length = (to['agl_ft'] / CLIMB_FPM * 60.0) + 20.0
        steps = (length * @rate_hz).round
        (1..steps).map do |i|
          share = i.to_f / steps
          driven = DRIVEN.to_h { |name| [name, [share * length / SPIN_UP_S, 1.0].min] }
          shares = { **driven, 'agl_ft' => climb(share, length), 'alt_msl_ft' => climb(share, length), 'gs_kt' => [share * 4, 1.0].min, 'ias_kt' => [share * 4, 1.0].min }
          sample = from.keys.to_h { |key| [key, blend(key, from[key], to[key], shares.fetch(key, share))] }
          sample.merge('t_s' => (from['t_s'] + (i / @rate_hz)).round(3), 'vs_fpm' => share.between?(0.1, 0.85) ? CLIMB_FPM.round : 0, 'pitch_deg' => 0.0)
        end
      end

      # Height share: still in the hover at first, level at the end.
      def climb(share, length)
        start = HOVER_PAUSE_S / length
        ((share - start) / (0.88 - start)).clamp(0.0, 1.0)
      end

      def blend(key, from, to, share)
        return from + ((to - from) * share) unless Recordings::Channels::ANGLES.include?(key)

        (from + (Quantities.wrap_deg(to - from) * share)) % 360.0
      end
    end
  end
end
