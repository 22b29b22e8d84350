# frozen_string_literal: true

require_relative 'current'
require_relative 'record'

module Fujin
  # The one school this installation serves: its house method, readiness rule and signing key.
  class School < Record
    def self.current
      (Current.reading && Current.school) || found.tap { |row| Current.school = row if Current.reading }
    end

    def self.found = asked(:found) { limit(1) }.first ||
      raise(NotFound, 'The school is not set up: run bin/start once.')
    private_class_method :found

    def house_method(*changes) = Planning::HouseMethod.new(changes.reduce(house) { |all, change| all.merge(change) })

    # What a sign-off asks for, as this school has it; a manoeuvre may have numbers of its own.
    # @return [Hash{Symbol => Integer}] overrides of Progress::Readiness::DEFAULTS
    def readiness_rule(manoeuvre)
      own = readiness.fetch('manoeuvres', {}).fetch(manoeuvre, {})
      readiness.except('manoeuvres').merge(own).transform_keys(&:to_sym)
    end

    # @param manoeuvre [String, nil] nil is every one that has no rule of its own
    # @param rule [Hash, nil] nil is as usual again
    def set_readiness(manoeuvre, rule)
      own = readiness.fetch('manoeuvres', {}).except(manoeuvre)
      usual = manoeuvre ? readiness.except('manoeuvres') : rule || {}
      own[manoeuvre] = rule if manoeuvre && rule
      update!(readiness: usual.merge('manoeuvres' => own))
    end

    # What is asked of bookings here.
    # @return [Bookings::Rules]
    def booking_rules = Bookings::Rules.new(bookings)

    # Where its sun rises and sets: the station, or the first place that it teaches at.
    # @return [Array(Float, Float)] latitude and longitude
    def station_at
      return [lat_deg, lon_deg] if lat_deg

      place = Place.in_order.first
      place ? [place.lat_deg, place.lon_deg] : [0.0, 0.0]
    end

    def clock = TimeZones.clock(time_zone)
    # The moment at which a day begins by the school's clock.
    def midnight(date) = TimeZones.moment(time_zone, date)
    # The day that a moment lies on by the school's clock.
    # @param time [Time]
    # @return [Date]
    def day_of(time) = clock.call(time).to_date
    # The day that it is at the school.
    def today = day_of(Time.now.utc)

    # The counted blocks as this school has them.
    # @return [Array<Progress::Block>]
    def counted_blocks
      Progress::Block.usual.map { |block| block.set(**blocks.fetch(block.id, {}).transform_keys(&:to_sym)) }
    end
  end
end
