# frozen_string_literal: true

require 'csv'
require 'tmpdir'
require 'zlib'
require_relative '../server/serialisers/site_picture'

module Fujin
  module Commands
    # `bench`: each target (docs/reference/speed.md) beside the figure measured here and now. What can't be measured
    # says why.
    class Bench < Command
      ROOT = File.expand_path('..', __dir__)
      ROUNDS = 5
      FIRST_SCRIPT_KB = 150
      HOUR_ROWS = 36_000

      def run
        rows = @options.rest.first == 'years' ? years : usual
        if @options.json?
          @out.puts JSON.pretty_generate(
            rows.map do |work, figure, target, verdict|
              { 'work' => work, 'figure' => figure, 'target' => target, 'verdict' => verdict }
            end
          )
        else
          @out.puts Tables.lines([%w[work figure target verdict], *rows])
        end
        0
      end

      private

      def usual
        [simulate, plan_cold, plan_change, every_plan, dispersion, site_line, import, first_script, *server,
         *elsewhere]
      end

      # What a school reads with 100,000 attempts stored, with 200 people who follow a flight: some minutes.
      def years
        require_relative 'server_load'
        ServerLoad.new(watchers: 200, out: @err).rows
      end

      def type = @type ||= Aircraft::Library.find(@options[:aircraft] || 'tansy-2')
      def conditions(**changes) = Planning::Conditions.build(type: type, wind: Wind.parse('350/8'), **changes)

      # Median of several runs, seconds.
      def median_of(rounds = ROUNDS)
        Quantities.median(Array.new(rounds) do |i|
          began = now
          yield i
          now - began
        end)
      end

      def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

      def row(work, seconds, limit)
        [
          work,
          format('%.3f s', seconds),
          format('at most %.2f s', limit),
          seconds <= limit ? 'met' : format('missed by %.3f s', seconds - limit)
        ]
      end

      # Flight and log, scaled to 60 s of flight.
      def simulate
        flight = Manoeuvres::Autorotation::WholeFlight.new(conditions)
        flown = flight.run.rows.size * Flight::Model::STEP_S
        row(
          'simulate a 60 s autorotation at 50 Hz, pilot and log included',
          median_of { flight.run } * 60.0 / flown,
          0.35
        )
      end

      # A mass that was never planned before each time, so that nothing is remembered.
      def plan_cold
        row(
          'plan a straight-in autorotation with its reachable area, new mass',
          median_of { |i| plan(conditions(mass_kg: 500.0 + (7.3 * i))) },
          0.15
        )
      end

      def plan_change
        plan(conditions)
        row(
          'the same plan again in another wind',
          median_of { |i| plan(conditions.with(wind: Wind.new(from_deg: 350, speed_kt: 5 + i))) },
          0.15
        )
      end

      # The slowest of all manoeuvres, each on a mass never planned before.
      def every_plan
        slowest, seconds =
          Catalogue
            .all
            .map do |declaration|
              type = declaration.kinds.include?('helicopter') ? self.type : Aircraft::Library.find('sorrel-g')
              day = Planning::Conditions.build(type: type, wind: Wind.parse('350/8'))
              [
                declaration.id,
                median_of(3) do |i|
                  declaration.plan(day.with(mass_kg: day.mass_kg - 3.1 - i), Planning::HouseMethod.new)
                end
              ]
            end
            .max_by(&:last)
        row("plan the slowest of #{Catalogue.all.size} manoeuvres (#{slowest}), new mass", seconds, 0.15)
      end

      def dispersion
        options = 0
        seconds =
          median_of(3) do |i|
            runs = Manoeuvres::Autorotation::Dispersion.new(conditions(mass_kg: 520.0 + i), Planning::HouseMethod.new)
            options = runs.options.size
            runs.options.each do |option|
              Manoeuvres::Autorotation::DispersionField.new(runs.places(option, 1000), within_ft: [200.0, 60.0]).grid
            end
          end
        row("dispersion of 1,000 landings, each of #{options} options, with its field", seconds, 5.0)
      end

      # The slowest of the demo's sites, answered again after one of its lines was moved by some metres.
      def site_line
        name, seconds = Dir["#{ROOT}/db/demo/sites/*.geojson"].map do |file|
          site_answer(drawn = JSON.parse(File.read(file)))
          line = drawn['features'].find { |one| one['properties']['kind'] == 'approach' }
          [File.basename(file, '.geojson'), median_of do
            line['geometry']['coordinates'][0][0] += 2e-5
            site_answer(drawn)
          end]
        end.max_by(&:last)
        row("a site after a line of it was moved (#{name})", seconds, 0.2)
      end

      def site_answer(document)
        day = Manoeuvres::Confined::Day.of(Sites::SiteFile.read(document), type, Planning::HouseMethod.new,
                                           wind: Wind.parse('350/10'), at: Time.utc(2026, 6, 21, 12))
        report = Manoeuvres::Confined::Report.new(day)
        JSON.generate([Serialisers.site(report), SitePicture.of(report)])
      end

      def plan(day) = Manoeuvres::Autorotation::StraightInPlan.new(day, Planning::HouseMethod.new).plan

      def import
        csv = hour_of_lessons
        library = median_of(1) { CSV.parse(csv, headers: true, converters: :float).size }
        day = conditions
        mine =
          median_of(3) do
            signals =
              Recordings::Signals.new(Recordings.read(csv), type: type, atmosphere: day.atmosphere, wind: day.wind)
            Grading::Grader.new(
              signals,
              Lessons.context(conditions: day, wind: day.wind, spot: [47.2104, -14.332])
            ).proposals
          end
        ratio = mine / library
        ['import, find, measure and grade a 1-hour 10 Hz 17-channel file',
         format('%.2f s, %.2f times the csv library (%.2f s)', mine, ratio, library),
         'at most 3 times the csv library',
         ratio <= 3.0 ? 'met' : format('missed by %.2f times', ratio - 3.0)]
      end

      # One lesson of three attempts, repeated until the hour is full.
      def hour_of_lessons
        lesson =
          Lessons::FlownLesson
            .new(conditions, faults: [{}, { 'late_collective' => 1.5 }, {}], origin: [47.2104, -14.332])
            .csv
            .lines
        body = lesson.drop(1)
        length = body.last.to_f + 1.0
        rows =
          (0..(HOUR_ROWS / body.size))
            .flat_map { |n| body.map { |line| line.sub(/\A[^,]+/) { |t| (t.to_f + (n * length)).round(3).to_s } } }
            .first(HOUR_ROWS)
        lesson.first + rows.join
      end

      def first_script
        title = 'first script, compressed'
        wanted = "at most #{FIRST_SCRIPT_KB} kB"
        page = File.join(ROOT, 'web', 'dist', 'index.html')
        return [title, 'not built', wanted, 'run bin/start once'] unless File.exist?(page)

        # Everything that the page itself asks for; views that are fetched later are not among it.
        scripts = File.read(page).scan(%r{assets/[\w.-]+\.js}).uniq
        size = scripts.sum { |script| File.size(File.join(ROOT, 'web', 'dist', "#{script}.gz")) } / 1000.0
        over = size - FIRST_SCRIPT_KB
        [title, format('%.0f kB', size), wanted, over <= 0 ? 'met' : format('missed by %.0f kB', over)]
      end

      # With years of lessons in a database of its own, thrown away after.
      def server
        require_relative 'server_bench'
        ServerBench.new.rows.map { |work, seconds, limit| row(work, seconds, limit) }
      rescue StandardError => e
        [['the server with years of lessons', 'not measured', '', e.message.lines.first.strip]]
      end

      def elsewhere
        [
          ['API reads with 300 students and 100,000 attempts', 'bin/fujin bench years', 'p95 at most 60 ms',
           'some minutes: asked for by itself'],
          ['pan and zoom 36,000 points x 6 strips', 'scripts/pan_zoom.rb', '95 % of frames at most 32 ms',
           'measured in a browser, with Fujin running']
        ]
      end
    end
  end
end
