# frozen_string_literal: true

require 'etc'
require_relative 'twins_page'

module Fujin
  module Commands
    # `truth`: flights of known truth, recorded badly and graded: what is found, made up, covered and accused; with
    # `--twins`, what is claimed of one change beside what it does.
    class Truth < Command
      # Each manoeuvre twice clean and twice with a fault, at the least.
      FLIGHTS = 64
      MOST = 2000

      def run
        return twins if @options[:twins]

        count = number('--flights', FLIGHTS)
        all = Fujin::Truth::Flights.new(count: count, seed: seed)
        parts = in_parallel { |part, of| all.accuracy(part: part, of: of) { |done| say(part, done) } }
        put(AccuracyPage.new(together(parts), count, seed))
      end

      private

      # What is claimed of one change, against flights without the fault.
      def twins
        count = number('--twins', nil)
        all = Fujin::Truth::Twins.new(count: count, seed: seed)
        put(TwinsPage.new(in_parallel { |part, of| all.answers(part: part, of: of) }.flatten(1), count, seed))
      end

      def seed = @options[:seed] || 1

      def number(flag, usual)
        count = @options[flag.delete_prefix('--').to_sym] || usual
        InvalidInput.check_ranges(flag => [count, 1, MOST])
        count.to_i
      end

      def put(page)
        if @options.json?
          @out.puts(JSON.pretty_generate(page.to_h))
        else
          @options[:out] ? File.write(@options[:out], page.to_s) : @out.puts(page.to_s)
        end
        0
      end

      # One process a processor; each hands over what it counted.
      # @yield [part, of]
      def in_parallel
        count = Etc.nprocessors
        children = []
        readers = Array.new(count) do |part|
          reader, writer = IO.pipe(binmode: true)
          children << fork do
            reader.close
            writer.write Marshal.dump(yield(part, count))
            exit!(0)
          end
          writer.close
          reader
        end
        readers.map { |reader| Marshal.load(reader.read) } # rubocop:disable Security/MarshalLoad -- our own child
      ensure
        children.each { |child| Process.wait(child) }
      end

      def say(part, done) = part.zero? && (done % 8).zero? ? @err.puts("fujin: #{done} flown and graded") : nil

      def together(parts)
        parts.first.keys.to_h { |name| [name, Fujin::Truth::Accuracy.together(parts.map { |part| part.fetch(name) })] }
      end
    end

    # The page `docs/accuracy.md`.
    class AccuracyPage
      # Fewer values of a measure than this say nothing about it.
      SHOWN = 30
      GOOD = (0.80..1.0)

      # @param found [Hash{String => Fujin::Truth::Accuracy}] by recorder
      def initialize(found, count, seed)
        @found = found
        @count = count
        @seed = seed
      end

      def to_h
        @found.transform_values do |one|
          one.counts.transform_keys(&:to_s).merge(
            'coverage' => one.coverage.round(4), 'coverage_by_measure' => one.coverage_by_measure,
            'boundary_s' => one.boundaries.keys.to_h { |phase| [phase, one.boundary_s(phase)] }
          )
        end
      end

      def to_s = [head, recorders, boundaries, measures].join("\n")

      private

      def head = <<~TEXT
        # How far the grading can be trusted

        Made by `bin/fujin truth --flights #{@count} --seed #{@seed} --out docs/accuracy.md`; run it again rather than changing this page.

        #{@count} flights of the pilot models, every manoeuvre that they fly, half of them clean and half with one fault, in winds of 2 to 14 kt,
        half of those gusty. What is true of each is measured without any error at 50 samples a second. Then each is recorded as eight poorer
        recorders would have it, off a little all through the flight and trembling, the wind known as from a sock; and graded. The model's own
        flights are the easiest there are: a real recorder is to be expected to do worse. A clean flight counts as accused where a fault is named
        that the measuring without error does not name: gusts make the model's pilots do some things that are to be named.
      TEXT

      def recorders
        rows = @found.map do |name, one|
          [name, "#{one.found} of #{one.there}", "#{one.made_up} of #{one.graded}", percent(one.coverage),
           "#{one.named} of #{one.planted}", "#{one.named_first} of #{one.planted}", "#{one.accused} of #{one.clean}"]
        end
        heads = ['recorder', 'found', 'made up', 'in the printed 90 %', 'planted fault named', 'named first',
                 'clean ones accused falsely']
        Tables.section('Recorders', heads, rows)
      end

      def boundaries
        phases = @found.values.flat_map { |one| one.boundaries.keys }.uniq
        rows = phases.map do |phase|
          [phase, *@found.values.map do |one|
            one.boundaries[phase] ? format('%.2f / %.2f', *one.boundary_s(phase)) : ''
          end]
        end
        Tables.section('Where a phase begins: half of the errors, and nine of ten, are smaller, s',
                       ['phase', *@found.keys], rows)
      end

      def measures
        ids = @found.values.flat_map { |one| one.inside.select { |_, all| all.size >= SHOWN }.keys }.uniq.sort
        rows = ids.map do |id|
          unit = Glossary.measure(id).unit
          ["`#{id}`", *@found.values.map { |one| cell(one, id, unit) }]
        end
        Tables.section('Measures: share inside the printed range, and what half of the errors stay under',
                       ['measure', *@found.keys], rows)
      end

      def cell(one, id, unit)
        return '' unless one.inside.fetch(id, []).size >= SHOWN

        share = one.coverage_by_measure.fetch(id)
        "#{'**low** ' unless GOOD.cover?(share)}#{percent(share)}, #{format('%.2g', one.error(id))} #{unit}"
      end

      def percent(share) = share.nan? ? '' : "#{(100.0 * share).round} %"
    end
  end
end
