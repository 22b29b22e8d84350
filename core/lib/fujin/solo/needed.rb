# frozen_string_literal: true

require 'yaml'

module Fujin
  module Solo
    # Which manoeuvres a first solo waits for, by kind of aircraft (core/data/solo.yml).
    Needed = Value.define(:manoeuvres, :emergencies) do
      # @param kind [String] 'helicopter' or 'gyroplane'
      # @param set [Hash, nil] a school's own lists
      # @return [Needed]
      # @raise [InvalidInput] naming what is no manoeuvre of this kind
      def self.of(kind, set = nil)
        lists = usual.fetch(kind).merge(set || {}).transform_keys(&:to_sym)
        check(lists)
        new(**lists)
      end

      def self.usual = @usual ||= YAML.safe_load_file(File.expand_path('../../../data/solo.yml', __dir__)).freeze

      def self.check(lists)
        known = Catalogue.all.map(&:id)
        strange = lists.flat_map { |name, ids| (ids - known).map { |id| [name, id] } }
        return if strange.empty?

        raise(InvalidInput, strange.map do |name, id|
          { path: name.to_s, message: Text.of('there is no manoeuvre %{id}', id: id.inspect) }
        end)
      end
      private_class_method :check
    end
  end
end
