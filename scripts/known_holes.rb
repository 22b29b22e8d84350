# frozen_string_literal: true

require 'json'
require 'prism'
require 'yaml'

# Looks for known holes: packages below the first version without them, and ways of writing that open one. Prints each
# with its place; fails when there is one.
class KnownHoles
  ROOT = File.expand_path('..', __dir__)
  LIST = File.join(__dir__, 'advisories.yml')
  SOURCES = '{server,cli,core/lib,devices,db}/**/*.{rb,ru}'

  # Calls that turn text into code or objects, whatever the text.
  NEVER = { eval: 'text run as code', instance_eval: 'text run as code', class_eval: 'text run as code',
            html_safe: 'text shown as markup' }.freeze
  # Calls on these that read objects from bytes.
  READERS = { 'Marshal' => %i[load restore], 'YAML' => %i[load unsafe_load unsafe_load_file],
              'Psych' => %i[load unsafe_load] }.freeze
  # Calls whose text the database reads as SQL, or the machine as a command, or a name of code.
  TOLD = { where: :sql, order: :sql, pluck: :sql, joins: :sql, select: :sql, group: :sql, find_by_sql: :sql,
           execute: :sql, exec_query: :sql, select_value: :sql, select_values: :sql, select_rows: :sql,
           select_one: :sql,
           system: :command, spawn: :command, exec: :command, popen: :command, capture2: :command, capture2e: :command,
           capture3: :command, send: :name, public_send: :name, const_get: :name, constantize: :name }.freeze
  # What a request brings.
  GIVEN = %i[params body_json request env fields].freeze

  # What looks like one and is none, with why.
  NONE = { "LessonPlan.new(sortie).order(body_json.fetch('order'))" => 'an order of exercises, not of rows',
           'Marshal.load(' => 'what a process of our own wrote (cli/truth_command.rb)' }.freeze

  def run
    found = old_gems + old_packages + Dir[File.join(ROOT, SOURCES)].flat_map { |file| in_file(file) } + in_web
    found.each { |line| puts line }
    found.empty?
  end

  private

  def list = @list ||= YAML.load_file(LIST)

  def old_gems
    locked = File.read(File.join(ROOT, 'Gemfile.lock')).scan(/^    ([\w-]+) \(([\d.]+)/).to_h
    old(list['gems'], locked, 'Gemfile.lock')
  end

  def old_packages
    locked = JSON.parse(File.read(File.join(ROOT, 'web', 'package-lock.json')))['packages']
      .transform_keys { |path| path.sub(%r{.*node_modules/}, '') }.transform_values { |one| one['version'] }
    old(list['packages'], locked.compact, 'web/package-lock.json')
  end

  def old(advisories, locked, place)
    advisories.filter_map do |name, told|
      version = locked[name] or next
      next unless Gem::Version.new(version) < Gem::Version.new(told['below'].to_s)

      "#{place}: #{name} #{version} is below #{told['below']}: #{told['why']}"
    end
  end

  def in_file(file)
    Prism.parse_file(file).value.breadth_first_search_all { |node| node.is_a?(Prism::CallNode) }.filter_map do |call|
      next if NONE.keys.any? { |text| call.slice.start_with?(text) }

      why = hole(call) and "#{file.delete_prefix("#{ROOT}/")}:#{call.location.start_line}: #{why}"
    end
  end

  def hole(call)
    return NEVER[call.name] if NEVER.key?(call.name) && call.arguments
    return 'objects read from bytes' if READERS.fetch(call.receiver&.slice, []).include?(call.name)

    kind = TOLD[call.name] or return
    # After the first, the database is told values apart from its text.
    texts = call.arguments&.arguments.to_a
    texts = texts.first(1) if kind == :sql
    "what a request brings goes into a #{kind}: #{call.slice[0, 80]}" if texts.any? { |one| brought?(one) }
  end

  # Laid into a text, or the text itself; as a value beside it the database is told it apart.
  def brought?(node)
    case node
    when Prism::InterpolatedStringNode then node.parts.grep(Prism::EmbeddedStatementsNode).any? { |part| given?(part) }
    when Prism::CallNode then given?(node) && %i[[] fetch].include?(node.name) && plainly?(node.receiver)
    else false
    end
  end

  def plainly?(node) = node.is_a?(Prism::CallNode) && GIVEN.include?(node.name)

  def given?(node)
    node.breadth_first_search { |one| one.is_a?(Prism::CallNode) && one.receiver.nil? && GIVEN.include?(one.name) }
  end

  def in_web
    Dir[File.join(ROOT, 'web', 'src', '**', '*.{ts,tsx}')].flat_map do |file|
      File.foreach(file).with_index(1).filter_map do |line, number|
        next unless line.match?(/dangerouslySetInnerHTML|\.innerHTML\s*=|\beval\(|new Function\(|document\.write\(/)

        "#{file.delete_prefix("#{ROOT}/")}:#{number}: text shown as markup or run as code"
      end
    end
  end
end

exit KnownHoles.new.run if $PROGRAM_NAME == __FILE__
