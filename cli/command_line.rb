# frozen_string_literal: true

require 'json'
require 'optparse'
require_relative '../core/lib/fujin'
require_relative '../server/serialisers/numbers'
require_relative '../server/serialisers/plan'
require_relative '../server/serialisers/one_change'
require_relative '../server/serialisers/proposal'
require_relative '../server/serialisers/site'
require_relative 'command'
require_relative 'options'
require_relative 'tables'

module Fujin
  # Reads the command, runs it, prints JSON or tables.
  # Exit codes: 0 done, 1 the work could not be done (said why), 2 wrong usage.
  class CommandLine
    # Wrong words on the command line.
    class Usage < StandardError; end

    COMMANDS = {
      'plan' =>
        'plan MANOEUVRE --aircraft ID_OR_FILE [conditions] [--json]    the day\'s numbers, gates, path, cautions',
      'grade' =>
        'grade FILE… --aircraft ID_OR_FILE [--spot LAT,LON] [--json]   attempts, measures, proposed grades, faults',
      'simulate' =>
        'simulate MANOEUVRE --aircraft ID_OR_FILE --out FILE.csv       a recording flown by the model',
      'site' =>
        'site FILE.geojson --aircraft ID_OR_FILE [conditions] [--json]  a place: clearances, angles, lines, verdict',
      'types' => 'types [--json]                                              the aircraft types that ship',
      'check' => 'check FILE [--json]                                         a type file (.yml) or a recording',
      'verify' => 'verify FILE [--key PUBLIC_KEY] [--code CODE] [--withdrawn LIST] [--json]  an exported sign-off',
      'truth' => 'truth [--flights N | --twins N] [--seed S] [--out PAGE] [--json]  how far the grading can be trusted',
      'recount' =>
        'recount                                                     kept progress against the lessons (Fujin runs)',
      'school' =>
        'school show|set-up|add|invite|import|throw-demo-away          the school that runs here, without a browser',
      'backup' => 'backup DIR                                                  everything, while Fujin runs',
      'restore' => 'restore DIR                                                 a backup into an empty folder',
      'verify-backup' => 'verify-backup DIR                                           is it whole, does it restore?',
      'keys' => 'keys show|rotate|replace-lost|seal-anew                      the key that the school signs with',
      'bench' => 'bench [years] [--json]                                      measured speed beside each target'
    }.freeze

    def initialize(argv, out: $stdout, err: $stderr)
      @argv = argv.dup
      @out = out
      @err = err
    end

    # @return [Integer] exit code
    def run
      name = @argv.shift
      return help if name.nil? || %w[help --help -h].include?(name)
      raise Usage, "there is no command #{name.inspect}" unless COMMANDS.key?(name)

      require_relative "#{name.tr('-', '_')}_command"
      Commands.const_get(name.split('-').map(&:capitalize).join).new(@argv, @out, @err).run
    rescue Usage, OptionParser::ParseError, UnknownName => e
      @err.puts "fujin: #{e.message}", "fujin: see 'bin/fujin help'"
      2
    rescue Error, SystemCallError => e
      @err.puts "fujin: #{self.class.words(e)}"
      1
    end

    # What went wrong, for who typed the command.
    def self.words(error)
      return error.message unless error.is_a?(Errno::ENOENT)

      "there is no file #{error.message[/ - (.*)/, 1]}. Look at its name and folder."
    end

    private

    def help
      @out.puts 'Usage: bin/fujin COMMAND', '', *COMMANDS.values.map { |line| "  #{line}" }, '',
                'Conditions: --mass-kg M | --people solo|dual, --wind 350/10, --oat-c 15, --qnh-hpa 1013.25, ' \
                  '--elevation-ft 0, --height-ft 1000,',
                '            --course DEG, --stage early|solo|test|instructor, --set NAME=VALUE',
                'plan:       --from-ft N (what reaches the spot from so far before it, at --height-ft)',
                'grade:      --headings FILE.yml (a list of heading, channel, unit, for a device with its own), ' \
                  '--gate-ft 100, --house FILE.yml, --standards FILE.yml,',
                '            --exercise MANOEUVRE (what the flight was for: the planned figure, turns or angle it is ' \
                  'held to, with --spot and --course),',
                '            --one-change (what it would have been without the first fault)',
                'site:       --at 2026-06-21T15:00Z, --use USE, --stage STAGE, --power-check K ' \
                  '(seen over predicted), --hottest-oat-c N, --terrain GRID.asc',
                'simulate:   --fault NAME=VALUE, --seed N, --rate-hz 10, --noise 1, --shear 0.14 (power law of wind ' \
                  'with height); gusts as 350/10G20',
                '',
                'Training aid only: the flight manual, the operator, the authority and a licensed instructor decide.'
      0
    end
  end

  # One class a command.
  module Commands
  end
end
