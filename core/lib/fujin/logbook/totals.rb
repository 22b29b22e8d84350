# frozen_string_literal: true

module Fujin
  module Logbook
    # A log added up. Time in a training device is in no total of flight.
    class Totals
      KINDS = %w[dual solo candidate].freeze
      # What is looked back on for being current, days.
      CURRENT_DAYS = [28, 90].freeze

      # @param lines [Array<FlightTime>]
      def initialize(lines)
        @lines = lines
        @flown = lines.reject { |line| line.kind == 'device' }
      end

      def minutes = sum(@flown)
      def night_minutes = @flown.sum(&:night_minutes)
      def device_minutes = sum(@lines - @flown)
      def by_kind = KINDS.to_h { |kind| [kind, sum(@flown.select { |line| line.kind == kind })] }
      def by_type = @flown.group_by(&:type_name).transform_values { |lines| sum(lines) }.sort.to_h

      # @return [Hash{String => Integer}] '2026-11' => minutes, newest first
      def by_month
        @flown.group_by do |line|
          line.on_day.strftime('%Y-%m')
        end.transform_values { |lines| sum(lines) }.sort.reverse.to_h
      end

      # @param today [Date]
      # @return [Hash{Integer => Integer}] minutes within so many days, today included
      def within(today) = CURRENT_DAYS.to_h { |days| [days, sum(@flown.select { |line| line.on_day > today - days })] }

      # @return [Hash{String => Date}] the last flight in each type
      def last_by_type = @flown.group_by(&:type_name).transform_values { |lines| lines.map(&:on_day).max }.sort.to_h

      private

      def sum(lines) = lines.sum(&:minutes)
    end
  end
end
