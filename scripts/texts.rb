# frozen_string_literal: true

require 'fileutils'
require 'json'
require 'prism'
require 'yaml'
require_relative '../core/lib/fujin'

# Another language is a file: writes it, or keeps it whole, with every text that core and server say.
#
#   bundle exec ruby scripts/texts.rb LANGUAGE      a file in core/data/language
#
# What is translated already stays; what is new stands there in English; what nobody says any more goes. The client's
# texts are in a file of their own in web/src/language (CONTRIBUTING.md).
class Texts
  ROOT = File.expand_path('..', __dir__)
  CODE = %w[core/lib server].freeze
  DATA = %w[core/data core/lib].freeze
  FOLDER = File.join(ROOT, 'core', 'data', 'language')
  # Run by whoever looks after Fujin, told to nobody else.
  OPERATORS = %r{server/(cluster|backup_folder|supervisor|prepare_database|puma|worker|work|log|log_files)\.rb\z}
  # Words, not an id, a path, a pattern or a statement to the database.
  SAID = /[A-Za-z]{2,}[^A-Za-z]+[A-Za-z]|\Aan? [a-z]+\z|\A[A-Z][a-z]+( ±)?[.]?\z|[°%]/
  UNSAID = %r{\A(?![A-Z][a-z]+(-[a-z]+)*[.]?\z)[\w./:#-]+\z|https?://|
              \b(SELECT|INSERT|UPDATE|DELETE|CREATE|WHERE|JOIN|GRANT|ORDER\ BY|AND|DISTINCT)\b|
              \A(GET|POST|PUT|PATCH|DELETE)\ /|\A\?|\A[\[{(<].*[\]})>]\z}x

  # Single words that are put into a sentence from a list or an id, where no rule finds them.
  WORDS = %w[larger smaller characters entries power suitable if not possible no_obstacle no_line no_wind not_known room
             straight_up].freeze

  # The texts of one file of code.
  class InCode < Prism::Visitor
    attr_reader :found

    def initialize
      @found = {}
      @parts = 0
      super
    end

    # What is put together is a message, what is put into it may be one word.
    def visit_call_node(node)
      return super unless node.receiver&.slice == 'Text' && %i[of count].include?(node.name)

      message(node)
      @parts += 1
      super
      @parts -= 1
    end

    def visit_string_node(node) = keep(node.unescaped)

    def visit_interpolated_string_node(node)
      whole = Texts.text(node)
      whole ? keep(whole) : super
    end

    def visit_interpolated_regular_expression_node(_) = nil
    def visit_x_string_node(_) = nil

    private

    def message(node)
      arguments = node.arguments.arguments
      return (text = Texts.text(arguments.first)) && @found[text] = text if node.name == :of

      named = arguments.grep(Prism::KeywordHashNode).first.elements.to_h { |one| [one.key.unescaped, one.value] }
      forms = named.slice('one', 'other').transform_values { |value| Texts.text(value) }
      @found[forms.fetch('other')] = forms
    end

    def keep(text)
      return if @found.key?(text) || !text.valid_encoding?

      @found[text] = text if Texts.said?(text) || (@parts.positive? && text.match?(/\A[^_.]*[a-z]{2}[^_]*\z/))
    end
  end

  class << self
    # @return [Hash{String => String, Hash}] every text by itself, in English; what hangs on a number by its forms
    def all
      texts = [*in_data, *told_ids].to_h { |text| [text, text] }
      code.each { |file| Prism.parse_file(file).value.accept(visitor = InCode.new) && texts.update(visitor.found) }
      texts.sort.to_h
    end

    # @return [String, nil] what stands there, however many lines it is written on; nil where something is put into it
    def text(node)
      return node.unescaped if node.is_a?(Prism::StringNode)
      return unless node.is_a?(Prism::InterpolatedStringNode)

      parts = node.parts.map { |part| text(part) }
      parts.join unless parts.include?(nil)
    end

    def said?(text) = text.match?(SAID) && !text.match?(UNSAID)

    private

    # Ids that stand in sentences as the words they are: of a phase, a stage, a kind, what a setting may be.
    def told_ids
      declared = Fujin::Catalogue.all
      ids = [*choices('settings'), *choices('house_method'), *declared.flat_map(&:phases), *declared.flat_map(&:kinds),
             *Fujin::Grading::Standard::STAGES, *Fujin::Grading::StandardRule::KINDS, *Fujin::Sites::SiteFile::SURFACES,
             *Fujin::Planning::Targets.words, *WORDS, *hands,
             *Fujin::Aircraft::Library.all.map { |type| type.fetch('engine.kind') }]
      ids.map { |id| id.to_s.tr('_', ' ') }.uniq
    end

    # The ids among which a file of settings lets choose.
    def choices(file)
      YAML.load_file(File.join(ROOT, "core/data/#{file}.yml")).values.flat_map do |one|
        one['choices'].is_a?(Hash) ? one['choices'].keys : one['choices'].to_a
      end
    end

    def hands = JSON.load_file(File.join(ROOT, 'core/data/hands.json')).values.flat_map(&:values)
    def code = CODE.flat_map { |folder| Dir[File.join(ROOT, folder, '**', '*.rb')] }.grep_v(OPERATORS).sort

    def in_data
      DATA.flat_map { |folder| Dir[File.join(ROOT, folder, '**', '*.{yml,json}')] }
        .reject { |file| file.start_with?(FOLDER) }.flat_map { |file| words(YAML.load_file(file)) }.uniq
    end

    def words(value)
      case value
      when Hash then value.values.flat_map { |one| words(one) }
      when Array then value.flat_map { |one| words(one) }
      when String then said?(value) ? [value] : []
      else []
      end
    end
  end
end

if $PROGRAM_NAME == __FILE__
  language = ARGV.fetch(0) { abort 'Which language? bundle exec ruby scripts/texts.rb de' }
  file = File.join(Texts::FOLDER, "#{language}.json")
  before = File.file?(file) ? JSON.load_file(file) : {}
  english = Texts.all
  texts = english.to_h { |text, itself| [text, before.fetch(text, itself)] }
  FileUtils.mkdir_p(Texts::FOLDER)
  File.write(file, "#{JSON.pretty_generate(texts)}\n")
  puts "#{file}: #{texts.size} texts, #{texts.count { |text, told| english[text] == told }} still in English"
end
