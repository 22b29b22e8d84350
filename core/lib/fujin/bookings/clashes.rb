# frozen_string_literal: true

module Fujin
  module Bookings
    # Everything that stands against a booking, a sentence each, the gravest first.
    class Clashes
      LEVELS = %w[cannot limit note].freeze

      # @param request [Request]
      # @param booked [Array<Booked>] of these people and this aircraft, for some days around
      # @param rules [Rules]
      # @param station [Array(Float, Float)] latitude and longitude: where the sun rises and sets
      # @param zone [#call] gives a time as the clock at the school shows it
      # @param forecast [Forecast, nil]
      # @param authorities [Array<#against_booking>] the student's for solo flights, in force
      def initialize(request, booked:, rules:, station:, zone:, forecast: nil, authorities: [])
        @request = request
        @booked = booked.reject { |one| one.id == request.id }
        @rules = rules
        @station = station
        @zone = zone
        @forecast = forecast
        @authorities = authorities
        @day = zone.call(request.slot.from).to_date
      end

      # @return [Array<Clash>]
      def to_a
        [*length, *away, *taken, *craft, *documents, *daylight, *duty, *solo, *weather]
          .sort_by.with_index { |clash, i| [LEVELS.index(clash.level), i] }
      end

      private

      def slot = @request.slot
      def at(time) = Words.clock(time, @zone)
      def clash(id, level, text) = Clash.new(id: id, level: level, text: text)

      def length
        least = @rules['shortest_min']
        most = @rules['longest_h'] * 60
        return [] if slot.minutes.between?(least, most)

        [clash('length', 'cannot',
               Text.of('%{long} is no lesson here: from %{least} min to %{most}.',
                       long: Words.hours(slot.minutes), least: least, most: Words.hours(most)))]
      end

      def away
        @request.parties.uniq(&:id).select(&:away).map { |one| clash('away', 'cannot', "#{one.name} #{one.away}.") }
      end

      # Whoever or whatever is in two places at once, and what follows too closely.
      def taken
        gap = @rules['turnaround_min'] * 60
        @booked.flat_map do |one|
          [*people_in(one), *aircraft_in(one, gap)]
        end
      end

      def people_in(one)
        return [] unless one.slot.overlaps?(slot)

        @request.parties.uniq(&:id).select { |party| one.people.include?(party.id) }.map do |party|
          clash('person', 'cannot',
                Text.of('%{party} is booked from %{from} to %{to}: %{words}.',
                        party: party.name, from: at(one.slot.from), to: at(one.slot.to), words: one.words))
        end
      end

      def aircraft_in(one, gap)
        return [] unless one.aircraft_id == @request.aircraft.id

        mark = @request.aircraft.mark
        span = Text.of('from %{from} to %{to}: %{words}',
                       from: at(one.slot.from), to: at(one.slot.to), words: one.words)
        if one.slot.overlaps?(slot)
          return [clash('aircraft', 'cannot', Text.of('%{mark} is booked %{span}.', mark: mark, span: span))]
        end

        between = [slot.from - one.slot.to, one.slot.from - slot.to].max
        return [] unless between < gap

        [clash('turnaround', 'limit', Text.of('%{mark} has %{between} min to what is booked %{span}; the school asks ' \
          'for %{rules}.',
                                              mark: mark, between: (between / 60).round, span: span,
                                              rules: @rules['turnaround_min']))]
      end

      def craft
        one = @request.aircraft
        if one.grounded
          return [clash('grounded', 'cannot', Text.of('%{mark} does not fly: %{grounded}',
                                                      mark: one.mark, grounded: one.grounded))]
        end

        [*maintenance(one), *controls(one)]
      end

      # By the hours flown when this flight ends, with what is booked before it.
      def maintenance(one)
        before = @booked.select { |other| other.aircraft_id == one.id && other.slot.to <= slot.from && !other.flown }
        hours = one.hours + (before.sum { |other| other.slot.minutes } / 60.0) + (slot.minutes / 60.0)
        one.maintenance.filter_map do |due|
          if due.over?(hours, @day)
            clash('maintenance', 'cannot',
                  Text.of('%{mark}: %{due} is %{words}, and it would have %{hours} h.',
                          mark: one.mark, due: due.title, words: due.words, hours: hours.to_f.round(1)))
          elsif due.soon?(hours, @day)
            clash('maintenance', 'note', Text.of('%{mark}: %{due} is %{words}.',
                                                 mark: one.mark, due: due.title, words: due.words))
          end
        end
      end

      def controls(one)
        return [] if one.dual_controls || @request.solo?

        [clash('controls', 'limit', Text.of('%{mark} has no second set of controls: nobody is taught in it.',
                                            mark: one.mark))]
      end

      def documents = DocumentClashes.new(@request, @rules, @day).to_a

      def daylight
        rise, set = Sun.rise_and_set(@day, *@station)
        return [] unless rise
        if slot.from < rise
          return [clash('daylight', 'limit', Text.of('The sun rises at %{rise}, after the beginning.', rise: at(rise)))]
        end
        if slot.to > set
          return [clash('daylight', 'limit', Text.of('The sun sets at %{set}, before the end.', set: at(set)))]
        end

        spare = ((set - slot.to) / 60).floor
        return [] unless spare < @rules['sunset_margin_min']

        [clash('daylight', 'note', Text.of('The sun sets at %{set}, %{spare} min after the end.',
                                           set: at(set), spare: spare))]
      end

      def duty = [@request.instructor, @request.examiner].compact.uniq(&:id).flat_map { |party| duty_of(party) }

      def duty_of(party)
        day = Duty.new(@booked.select { |one| one.instructs.include?(party.id) }, slot, @zone)
        [
          ['duty', day.minutes, @rules['duty_max_h'] * 60, 'from the first lesson to the end of the last'],
          ['instructing', day.instructing_minutes, @rules['instructing_max_h'] * 60, 'of instructing that day']
        ].filter_map { |id, minutes, most, words| over(party, id, minutes, most, words) } + rest(party, day)
      end

      def over(party, id, minutes, most, words)
        return nil unless minutes > most

        clash(id, 'limit',
              Text.of('%{party} would have %{time} %{of_what}; the limit is %{limit}.',
                      party: party.name, time: Words.hours(minutes), of_what: words, limit: Words.hours(most)))
      end

      def rest(party, day)
        least = @rules['rest_min_h'] * 60
        short = day.rests.min
        return [] unless short && short < least

        [clash('rest', 'limit', Text.of('%{party} would have %{rest} of rest between two days; the least is ' \
          '%{least}.',
                                        party: party.name, rest: Words.hours(short), least: Words.hours(least)))]
      end

      def solo
        return [] unless @request.solo?
        if @authorities.empty?
          return [clash('solo', 'limit',
                        Text.of('%{student} has no solo authority in force.', student: @request.student.name))]
        end

        misses = @authorities.map { |one| one.against_booking(@request.aircraft.id, slot, @day) }
        return [] if misses.any?(&:empty?)

        misses.min_by(&:size).map do |text|
          clash('solo', 'limit', Text.of('Outside the solo authority: %{text}.', text: text))
        end
      end

      def weather = WeatherClashes.new(@forecast, slot, @request.student.stage, @rules).to_a
    end
  end
end
