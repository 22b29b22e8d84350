# frozen_string_literal: true

module Fujin
  module Bookings
    # An instructor's day: from the first lesson's beginning to the last one's end, what of it is instructing, and the
    # rest before and after it.
    class Duty
      # @param booked [Array<Booked>] what this instructor gives already, in any order
      # @param slot [Slot] what is added
      # @param zone [#call] gives a time as the clock at the school shows it: a day is the school's
      def initialize(booked, slot, zone)
        @zone = zone
        @days = (booked.map(&:slot) + [slot]).group_by { |one| day(one.from) }
        @day = day(slot.from)
      end

      # @return [Float] minutes from the first beginning to the last end of the day
      def minutes = span(@day).minutes
      def instructing_minutes = @days.fetch(@day).sum(&:minutes)

      # @return [Array<Float>] minutes of rest before and after the day, of those sides that have a duty within two days
      def rests
        own = span(@day)
        before = latest(@days.keys.select { |one| one < @day })
        after = earliest(@days.keys.select { |one| one > @day })
        [before && (own.from - before.to), after && (after.from - own.to)].compact.map { |seconds| seconds / 60.0 }
      end

      private

      def day(time) = @zone.call(time).to_date

      def span(day)
        slots = @days.fetch(day)
        Slot.new(from: slots.map(&:from).min, to: slots.map(&:to).max)
      end

      def latest(days) = days.empty? ? nil : span(days.max)
      def earliest(days) = days.empty? ? nil : span(days.min)
    end
  end
end
