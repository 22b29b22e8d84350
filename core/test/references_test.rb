# frozen_string_literal: true

require_relative 'test_helper'
require_relative '../../scripts/reference'

# What the code and the documents point to is there, and the pages made from data say what the data says.
class ReferencesTest < Minitest::Test
  ROOT = File.expand_path('../..', __dir__)
  FILES = Dir.chdir(ROOT) do
    Dir['{*.md,docs/**/*.md,bin/*,.ci/*,{core,server,cli,api,devices,test,scripts,web/src}/**/*.{rb,yml,yaml,ts,tsx,c' \
      'ss,sh,js}}']
      .reject do |file|
      file.include?('node_modules') || File.directory?(file)
    end.freeze
  end
  DOCUMENTS = FILES.grep(/\.md\z/).freeze
  # A path as it is written in code and text; a star stands for any name, a name in capitals for one still to be chosen.
  PATH = %r{(?<![\w/.])(?:core|server|cli|api|devices|test|scripts|docs|web|db|bin|\.ci)(?:/[\w.*-]+)+/?}
  # Made at run time, or on the way to it.
  MADE = %r{\A(?:web/dist|web/node_modules|web/src/api/schema\.generated|var|docs/screenshots/\*)}

  def read(file) = File.read(File.join(ROOT, file))
  def there?(path) = Dir.glob(File.join(ROOT, path.delete_suffix('.'))).any?

  def test_pages_made_from_data_say_what_the_data_says
    Reference.pages.each do |name, text|
      assert_equal text, read("docs/reference/#{name}"), "run bundle exec ruby scripts/reference.rb for #{name}"
    end
  end

  def test_every_link_in_the_documents_leads_somewhere
    broken = DOCUMENTS.flat_map do |file|
      read(file).scan(/\]\(([^)#\s]+)/).flatten.grep_v(/\A\w+:/)
        .reject { |link| File.exist?(File.expand_path(link, File.join(ROOT, File.dirname(file)))) }
        .map { |link| "#{file}: #{link}" }
    end
    assert_empty broken
  end

  def test_every_path_named_in_documents_and_comments_is_there
    broken = FILES.flat_map do |file|
      text = file.end_with?('.md') ? read(file) : read(file).lines.grep(%r{\A\s*(?:#|//|\*|/\*)}).join
      text.scan(PATH).reject { |path| path.match?(MADE) || there?(path) }.map { |path| "#{file}: #{path}" }
    end
    assert_empty broken
  end

  def test_no_document_is_cited_that_is_not_in_the_repository
    here = Dir[File.join(ROOT, '{,docs/,docs/reference/}*.md')].map { |path| File.basename(path) }
    strangers = FILES.flat_map do |file|
      read(file).scan(%r{(?:[\w.-]+/)*([A-Za-z][\w-]*\.md)\b}).flatten.reject { |name| here.include?(name) }
        .map { |name| "#{file}: #{name}" }
    end
    assert_empty strangers - strangers.grep(/references_test/)
  end

  # Each class that the page names is defined somewhere.
  def test_the_architecture_names_what_there_is
    names = read('ARCHITECTURE.md').scan(/`([A-Z][A-Za-z]+(?:::[A-Z][A-Za-z]+)*)(?:[.#][a-z_]+)?`/).flatten.uniq
    defined = FILES.grep(/\.(rb|tsx)\z/).map { |file| read(file) }.join
      .scan(/(?:class|module|const|function) ([A-Z]\w+)|([A-Z]\w+) =/).flatten.compact.uniq

    assert_operator names.size, :>, 20
    assert_empty names.map { |name| name.split('::').last } - defined
  end
end
