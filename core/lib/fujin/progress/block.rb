# frozen_string_literal: true

require 'yaml'

module Fujin
  module Progress
    # A counted block: something done so often, to a level, before something else (core/data/blocks.yml).
    Block = Value.define(:id, :title, :reason, :needed_for, :solo, :rungs) do
      # @return [Array<Block>] those that the application knows, in their order
      def self.usual = @usual ||= read(File.expand_path('../../../data/blocks.yml', __dir__))

      # @param file [String] path of a YAML table
      # @return [Array<Block>]
      # @raise [InvalidInput] naming the block and what is wrong with it
      def self.read(file)
        YAML.safe_load_file(file).map { |id, fields| build(id, fields) }.freeze
      end

      def self.build(id, fields)
        rungs = fields.fetch('rungs').map { |rung| rung(rung) }
        new(id: id, **fields.slice('title', 'reason').transform_keys(&:to_sym), rungs: rungs.freeze,
            needed_for: fields.fetch('needed_for', []).freeze, solo: fields.fetch('solo', []).freeze)
          .tap { |block| check(block) }
      end

      def self.rung(fields)
        spans = fields.slice('setting', 'measure').transform_values { |span| Span.new(**span.transform_keys(&:to_sym)) }
        Rung.new(**fields.merge(spans).transform_keys(&:to_sym))
      end

      # What it names is there: a misspelt measure would count nothing, without a word. What is planned
      # for a rung counts on it.
      def self.check(block)
        declared = [*block.needed_for, *block.rungs.flat_map(&:manoeuvres)].to_h { |id| [id, Catalogue.find(id)] }
        problems = block.rungs.flat_map do |rung|
          all = declared.values_at(*rung.manoeuvres)
          [['setting', rung.setting, all.flat_map(&:settings)], ['measure', rung.measure, all.flat_map(&:measure_ids)]]
            .select { |_, span, names| span && !names.include?(span.name) }
            .map do |kind, span, _|
            { path: "#{block.id}.#{kind}", message: Text.of('no manoeuvre of it has %{span}', span: span.name) }
          end
        end
        problems += block.rungs.reject(&:asks_right?).map do |rung|
          { path: "#{block.id}.ask", message: Text.of('an exercise planned so does not count as %{words}',
                                                      words: rung.words) }
        end
        raise InvalidInput, problems if problems.any?
      end
      private_class_method :build, :rung, :check

      # As a school has it: other counts, and whether a sign-off waits for it.
      # @param counts [Array<Integer>, nil] a rung each, @param needed [Boolean, nil]
      def set(counts: nil, needed: nil)
        other = counts ? rungs.zip(counts).map { |rung, count| rung.with(wanted: count) }.freeze : rungs
        return with(rungs: other) if needed.nil? || needed == needed_for.any?

        with(rungs: other, needed_for: needed ? manoeuvres : [].freeze)
      end

      # @return [Array<String>] ids of all that is counted in it
      def manoeuvres = rungs.flat_map(&:manoeuvres).uniq
    end
  end
end
