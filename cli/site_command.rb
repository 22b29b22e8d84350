# frozen_string_literal: true

require 'time'

module Fujin
  module Commands
    # `site FILE.geojson`: clearances, angles, break-off, departures and the verdict of a surveyed place, today.
    class Site < Command
      def run
        file = @options.rest.first or raise CommandLine::Usage, 'site needs a GeoJSON file'
        report = Manoeuvres::Confined::Report.new(day(read(file)), hottest_margin_pct: hottest)
        found = Serialisers.site(report)
        found['verdicts'] = found['verdicts'].slice(use) if use
        @options.json? ? @out.puts(JSON.pretty_generate(found)) : print_tables(found)
        0
      end

      private

      def read(file)
        @site = Sites::SiteFile.read(JSON.parse(File.read(file, encoding: 'UTF-8'))) { terrain }
      rescue JSON::ParserError, EncodingError => e
        raise InvalidInput, [{ path: file, message: "is not readable as GeoJSON: #{e.message[0, 120]}" }]
      end

      # Heights of the ground, where there are any.
      def terrain
        file = @options[:terrain] or return nil
        Sites::TerrainFile.read(File.binread(file))
      rescue InvalidInput => e
        raise InvalidInput, (e.problems.map { |one| one.merge(path: "#{file}, #{one[:path]}") })
      end

      def day(site, oat_c = @options[:oat_c])
        Manoeuvres::Confined::Day.of(
          site, @options.type, @options.house,
          wind: @options.wind, people: @options[:people] || 'dual', mass_kg: @options[:mass_kg], oat_c: oat_c,
          qnh_hpa: @options[:qnh_hpa] || 1013.25, at: at, stage: @options[:stage] || 'solo',
          k: @options[:power_check] || 1.0
        )
      end

      # Power left at the day's hottest, for shutting down there.
      def hottest = @options[:hottest_oat_c] && day(@site, @options[:hottest_oat_c]).margin_ige_pct

      def at
        @options[:at] && Time.iso8601(@options[:at].sub(/(T\d\d:\d\d)(Z|[+-]\d\d:\d\d)\z/, '\1:00\2'))
      rescue ArgumentError
        raise InvalidInput,
              [{ path: '--at', message: "expected a time such as 2026-06-21T15:00Z, got #{@options[:at].inspect}" }]
      end

      def use
        named = @options[:use] or return nil
        uses = Manoeuvres::Confined::Verdict::USES
        uses.include?(named) ? named : raise(UnknownName, "there is no use #{named.inspect}: #{uses.join(', ')}")
      end

      def print_tables(found)
        ground = found['site']
        @out.puts "#{ground['name']}, #{ground['elevation_ft'].round} ft, wind #{found['day']['wind'] || 'not given'}"
        @out.puts '', Tables.lines(found['approaches'].map { |line| approach(line) }) if found['approaches'].any?
        @out.puts '', Tables.lines(found['departures'].flat_map { |line| departure(line) }) if found['departures'].any?
        @out.puts '', Tables.lines(found['verdicts'].map { |use, answer| verdict(use, answer) })
        @out.puts '', *cautions(found)
      end

      def value(number, unit = nil) = number['value'] ? "#{Tables.figure(number['value'])}#{unit}" : number['reason']
      def named(line) = "#{line['id']} on #{line['course_deg'].round}°"

      def approach(line)
        needs = "needs #{value(line['angle_needed_deg'], '°')}"
        needs += " (#{line['decides']})" if line['decides']
        ["approach #{named(line)}", needs, "fly #{value(line['angle_deg'], '°')}",
         "clears #{value(line['least_clearance_ft'], ' ft')}", "break off #{break_off(line['break_off'])}"]
      end

      def break_off(point)
        return point unless point.is_a?(Hash)
        return point['reason'] unless point['distance_ft']

        "#{point['distance_ft']['value']} ft out at #{point['height_ft']['value']} ft"
      end

      def departure(line)
        line['ways'].map do |name, way|
          ["departure #{named(line)}", name.tr('_', ' '), way['verdict'], way['because'].to_s,
           "clears #{value(way['clearance_ft'], ' ft')}"]
        end
      end

      def verdict(use, answer)
        [use.tr('_', ' '), answer['verdict'] || '—', answer['because'].first(3).map { |one| one['text'] }.join('; ')]
      end

      def cautions(found)
        lines = (found['approaches'] + found['departures']).flat_map do |line|
          line['cautions'].map { |one| "#{one['level']}: #{line['id']}: #{one['text']}" }
        end
        found['cautions'].map { |one| "#{one['level']}: #{one['text']}" } + lines
      end
    end
  end
end
