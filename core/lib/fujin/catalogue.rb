# frozen_string_literal: true

require 'yaml'

module Fujin
  # The catalogue. Each manoeuvre is declared once, in its family's folder; planner, finder, grader, cockpit sheet and
  # catalogue page all read that one declaration.
  #
  #   Catalogue.find('steep_approach').title    # => "Steep approach"
  module Catalogue
    DATA = File.expand_path('../../data', __dir__)

    # What every aircraft's checks have in common.
    # For what begins on the ground or in a hover.
    HEAT_BEFORE_LIFT_OFF = 'check for ice with heat before lift-off, then heat as the flight manual says'

    CHECKS = ['Area clear, lookout complete', 'Wind looked at again', 'Carburettor heat as the flight manual says',
              'Warning lights checked'].freeze

    # Faults that more than one family names.
    SHARED_FAULTS = Fault.all(YAML.safe_load_file(File.join(DATA, 'faults.yml')))

    @declared = {}

    class << self
      # Declares a manoeuvre and keeps it.
      # @param folder [String] of the family: its faults.yml has the faults that only it names
      # @param faults [Array<String>] ids in causal order
      # @param standard [Grading::Standard] with a rule for each measure, or why it is shown only
      # @return [Declaration]
      def declare(folder, id:, faults:, measures:, standard:, checks: CHECKS, **rest)
        raise ArgumentError, "#{id} is declared twice" if @declared.key?(id)

        known = faults_of(folder)
        @declared[id] = Declaration.new(
          id: id,
          faults: faults.map { |fault| known.fetch(fault) }.freeze,
          checks: checks,
          standard: standard.covering(measures.values.flatten),
          measures: measures,
          **rest
        )
      rescue KeyError, ArgumentError => e
        raise ArgumentError, "#{id}: #{e.message}"
      end

      # After the last declaration: everything in its order, nothing forgotten, nothing added later.
      # @param families [Module] that the finders' names are looked up in
      # @raise [ArgumentError] naming what is missing
      def close(families)
        @all = in_order('syllabus.yml', read('syllabus.yml'), @declared).freeze
        finders =
          recorded.map(&:finder).uniq.to_h { |finder| [finder.name.delete_prefix("#{families.name}::"), finder] }
        @finders =
          in_order('finding_order.yml', read('finding_order.yml').map { |entry| entry.fetch('finder') }, finders).freeze
        @declared.freeze
      end

      # @raise [UnknownName]
      def find(id)
        @declared.fetch(id) { raise UnknownName, "no manoeuvre #{id.inspect}: use #{@declared.keys.join(', ')}" }
      end

      # @return [Array<Declaration>] in teaching order
      attr_reader :all
      # @return [Array<Class>] in the order in which they look at a recording, each leaving alone what those before it
      #   found
      attr_reader :finders

      def recorded = all.select(&:recorded?)
      # The glide that a day's targets are those of.
      # @return [Declaration]
      def usual_glide = @usual_glide ||= all.find(&:spot_planner)
      # Every fault that some manoeuvre names, by id.
      def faults = @faults ||= all.flat_map(&:faults).uniq.to_h { |fault| [fault.id, fault] }.freeze

      private

      def read(file) = YAML.safe_load_file(File.join(DATA, file))

      def faults_of(folder)
        path = File.join(folder, 'faults.yml')
        File.file?(path) ? Fault.all(YAML.safe_load_file(path), SHARED_FAULTS) : SHARED_FAULTS
      end

      def in_order(file, names, found)
        forgotten = found.keys - names
        unless forgotten.empty?
          raise ArgumentError, "#{forgotten.join(', ')} not in core/data/#{file}: add it in its place"
        end

        names.map do |name|
          found.fetch(name) { raise ArgumentError, "core/data/#{file} names #{name}, which nothing declares" }
        end
      end
    end
  end
end
