# frozen_string_literal: true

module Fujin
  module Solo
    # What a student may fly alone: which exercises, where, in which aircraft, in what weather, when.
    #   exercises, places, aircraft_ids  what is not in the list is not allowed
    #   visibility_m, cloud_base_ft      at least
    #   from, until                      days, both included
    class Authority < Value.define(:exercises, :places, :aircraft_ids, :wind_kt, :gust_kt, :crosswind_kt,
                                   :visibility_m, :cloud_base_ft, :daylight_only, :from, :until)
      # Numbers => least and most that may be written into one.
      RANGES = {
        wind_kt: [0,
                  30], gust_kt: [0, 40], crosswind_kt: [0, 20], visibility_m: [1500, 20_000], cloud_base_ft: [500, 5000]
      }.freeze
      # It is given anew at least so often, days. Chosen.
      LONGEST_DAYS = 90

      # @raise [InvalidInput] naming what is out of its range, empty or the wrong way round
      def self.build(**fields)
        InvalidInput.check_ranges(RANGES.to_h { |name, (low, high)| [name.to_s, [fields[name], low, high]] })
        problems = %i[exercises places aircraft_ids].select { |name| fields[name].empty? }
          .map { |name| { path: name.to_s, message: 'expected at least one' } }
        days = (fields[:until] - fields[:from]).to_i
        unless days.between?(0, LONGEST_DAYS)
          problems << { path: 'until', message: Text.of('expected a day from the first one to %{longest_days} days ' \
            'after it',
                                                        longest_days: LONGEST_DAYS) }
        end
        raise InvalidInput, problems if problems.any?

        new(**fields)
      end

      def in_force?(day) = day.between?(from, self.until)

      # @return [Array<String>] what of a booking is not in it
      def against_booking(aircraft_id, _slot, day)
        [
          (holds unless in_force?(day)),
          ('this aircraft is not in it' unless aircraft_ids.include?(aircraft_id))
        ].compact
      end

      # @param lesson [Lesson]
      # @return [Array<String>] what of a lesson is not in it, a sentence's part each
      def against(lesson)
        [
          *against_booking(lesson.aircraft_id, nil, lesson.day),
          *(lesson.exercises - exercises).map do |id|
            Text.of('%{find} is not in it', find: Catalogue.find(id).title.downcase)
          end,
          *(lesson.places - places).map { |place| Text.of('%{place} is not in it', place: place) },
          *weather(lesson),
          ('it is for daylight only, and the sun is not up for all of it' if daylight_only && !lesson.daylight)
        ].compact
      end

      private

      def holds = Text.of('it holds from %{from} to %{until}', from: Text.day(from), until: Text.day(self.until))

      def weather(lesson)
        [
          most('wind', lesson.wind_kt, wind_kt, 'kt'),
          most('gusts to', lesson.gust_kt, gust_kt, 'kt'),
          most('crosswind', lesson.crosswind_kt, crosswind_kt, 'kt'),
          least('visibility', lesson.visibility_m, visibility_m, 'm'),
          least('cloud base', lesson.cloud_base_ft, cloud_base_ft, 'ft')
        ]
      end

      # What nobody measured is not within a limit.
      def most(name, value, limit, unit)
        if value.nil?
          return Text.of('no %{name} is given, and it allows up to %{limit} %{unit}',
                         name: name.delete_suffix(' to'), limit: limit, unit: unit)
        end

        if value > limit
          Text.of('%{name} %{value} %{unit}, it allows up to %{limit} %{unit}',
                  name: name, value: value.round, unit: unit, limit: limit)
        end
      end

      def least(name, value, limit, unit)
        return nil if value.nil?

        if value < limit
          Text.of('%{name} %{value} %{unit}, it asks for %{limit} %{unit}',
                  name: name, value: value.round, unit: unit, limit: limit)
        end
      end
    end
  end
end
