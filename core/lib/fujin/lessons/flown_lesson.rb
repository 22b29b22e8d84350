# frozen_string_literal: true

module Fujin
  module Lessons
    # A recording of several attempts at one manoeuvre in one flight.
    class FlownLesson
      # @param faults [Array<Hash>] one set of pilot faults an attempt
      # @param manoeuvre [String] that a pilot model flies, with its settings
      # @param origin [Array(Float, Float)] latitude and longitude of the spot
      def initialize(
        conditions,
        faults:,
        origin:,
        elevation_ft: 0.0,
        house: Planning::HouseMethod.new,
        height_ft: nil,
        rate_hz: 10.0,
        seed: 1,
        course_deg: nil,
        manoeuvre: 'straight_in_autorotation',
        settings: {}
      )
        @faults = faults
        @pilot = Catalogue.find(manoeuvre).pilot
        @flown = [conditions, { house: house, height_ft: height_ft, course_deg: course_deg, settings: settings }]
        @recorder =
          Flight::Recorder.new(
            type: conditions.type,
            origin: origin,
            elevation_ft: elevation_ft,
            rate_hz: rate_hz,
            seed: seed
          )
        @rate_hz = rate_hz
      end

      # @return [Array<Hash{String => Float}>] samples by channel name, times from 0
      def samples = joined.samples
      def duration_s = samples.last['t_s']
      # @return [String] CSV in the recording format
      def csv = joined.csv

      private

      def joined =
        @joined ||=
          Flight::FlightsJoined.new(@faults.map { |faults| fly(faults) }, recorder: @recorder, rate_hz: @rate_hz)

      def fly(faults) = @pilot.call(@flown[0], faults: faults, **@flown[1]).run
    end
  end
end
