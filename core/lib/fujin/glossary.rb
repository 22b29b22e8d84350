# frozen_string_literal: true

require 'json'
require 'yaml'

module Fujin
  # What every number is called, in which unit it is given and with how many digits: measures that are taken from
  # recordings (core/data/measures.yml), numbers that are planned (core/data/plan_numbers.yml), units
  # (core/data/units.json, which the web client reads too).
  #
  #   Glossary.measure('collective_delay_s').label            # => "Collective down after"
  #   Glossary.number('recovery_height_ft', 'gyro_balked_landing').why
  #   Glossary.figure(1.25, 's')                              # => "1.3 s"
  module Glossary
    DATA = File.expand_path('../../data', __dir__)

    class << self
      # @param id [String], @param manoeuvre [String, nil] where an entry differs by manoeuvre
      # @return [MeasureEntry]
      # @raise [UnknownName]
      def measure(id, manoeuvre = nil) = entry(measures, id, manoeuvre, 'measures.yml')

      # @return [NumberEntry]
      # @raise [UnknownName]
      def number(id, manoeuvre = nil) = entry(numbers, id, manoeuvre, 'plan_numbers.yml')

      # @return [String] of a unit, as it is written after a figure
      def unit_word(unit) = units.fetch(unit).fetch('word')

      # A value as a person reads it.
      # @param digits [Integer, nil] nil takes the unit's own
      # @return [String]
      def figure(value, unit, digits = nil)
        word = unit_word(unit)
        places = digits || units.fetch(unit).fetch('digits')
        rounded = value.round(places)
        text = places.zero? ? rounded.to_i.to_s : Text.figure(format("%.#{places}f", rounded + 0.0))
        units.fetch(unit)['close'] ? "#{text}#{word}" : "#{text} #{word}"
      end

      # A value to fly by, as a person says it: no closer than a gauge is read, tens of feet from a hundred on, and no
      # tenths that are nought (units.json, 'said').
      # @return [String]
      def said(value, unit, digits = nil)
        shown = spoken(value, unit, digits)
        figure(shown, unit, shown == shown.round ? 0 : digits)
      end

      # The same as a number.
      def spoken(value, unit, digits = nil)
        rule = units.fetch(unit)['said'] || {}
        step = rule['step'] if value.abs >= rule.fetch('from', 0)
        step ? (value / step).round * step : value.round(rule['digits'] || digits || units.fetch(unit).fetch('digits'))
      end

      # A band as a person reads it: '58 to 68 kt', 'at least 90 %'.
      # @param low [Float, nil], @param high [Float, nil] nil where that side is free
      def band(low, high, unit, digits = nil)
        return Text.of('at most %{high}', high: figure(high, unit, digits)) if low.nil?
        return Text.of('at least %{low}', low: figure(low, unit, digits)) if high.nil?

        Text.of('%{low} to %{high}', low: figure(low, unit, digits).delete_suffix(unit_word(unit)).strip,
                                     high: figure(high, unit, digits))
      end

      # Each id with its entry, as it is without a manoeuvre.
      def measures = @measures ||= read('measures.yml', MeasureEntry)
      def numbers = @numbers ||= read('plan_numbers.yml', NumberEntry)
      def units = @units ||= JSON.parse(File.read(File.join(DATA, 'units.json'))).freeze

      private

      def read(file, kind)
        YAML.safe_load_file(File.join(DATA, file)).to_h { |id, fields| [id, kind.of(id, fields, units)] }.freeze
      rescue ArgumentError, KeyError => e
        raise ArgumentError, "core/data/#{file}: #{e.message}"
      end

      def entry(entries, id, manoeuvre, file)
        found = entries.fetch(id) do
          raise UnknownName, "core/data/#{file} has no #{id}: add its label, unit and definition"
        end
        found.in(manoeuvre)
      end
    end
  end
end
