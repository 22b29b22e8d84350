# frozen_string_literal: true

module Fujin
  module Lessons
    # A recording of several attempts in one flight, at one manoeuvre or at several.
    class FlownLesson
      # @param faults [Array<Hash>] one set of pilot faults an attempt
      # @param manoeuvre [String] that a pilot model flies, with its settings and height
      # @param others [Array<Hash{Symbol => Object}>] flown after it: manoeuvre, settings, height_ft and faults of each
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
        settings: {},
        others: []
      )
        first = { manoeuvre: manoeuvre, settings: settings, height_ft: height_ft, faults: faults }
        @exercises = [first, *others]
        @day = [conditions, { house: house, course_deg: course_deg }]
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
          Flight::FlightsJoined.new(@exercises.flat_map { |one| fly(**one) }, recorder: @recorder, rate_hz: @rate_hz)

      def fly(manoeuvre:, faults:, settings: {}, height_ft: nil)
        conditions, known = @day
        faults.map do |planted|
          Catalogue.find(manoeuvre).pilot.call(conditions, faults: planted, settings: settings, height_ft: height_ft,
                                                           **known).run
        end
      end
    end
  end
end
