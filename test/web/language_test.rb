# frozen_string_literal: true

require 'open3'
require_relative '../web_helper'

# Every text of the client stands in one catalogue, from which another language is made.
class LanguageTest < Minitest::Test
  CATALOGUE = File.join(WebModule::ROOT, 'web/src/language/en.json')

  def test_the_catalogue_is_what_stands_in_the_code
    kept = File.read(CATALOGUE)
    out, status = Open3.capture2e('npm', 'run', '--silent', 'words', chdir: File.join(WebModule::ROOT, 'web'))
    assert_predicate status, :success?, out
    found = File.read(CATALOGUE)

    assert_equal JSON.parse(found), JSON.parse(kept), '`npm run words` in web/ brings the catalogue up to date'
  ensure
    File.write(CATALOGUE, kept)
  end

  SOURCES = Dir[File.join(WebModule::ROOT, 'web/src/**/*.{ts,tsx}')]

  # In another language it would never be equal, and never be found.
  def test_nothing_is_compared_with_or_looked_up_by_a_text
    messages = JSON.parse(File.read(CATALOGUE)).values
    compared = SOURCES.flat_map do |file|
      File.readlines(file).grep(/[!=]==? *t`|t`[^`]*` *[!=]==?/).map { |line| "#{File.basename(file)}: #{line.strip}" }
    end

    assert_empty compared
    assert_empty messages.grep(/\[[\w-]+=|\A#|no #/), 'a selector'
    assert_empty messages & ['waiting for a worker', 'recording live', 'stopping'],
                 'what the server says of a recording'
  end

  # A figure put into a text may change what it has to agree with.
  def test_a_count_agrees_with_its_word
    messages = JSON.parse(File.read(CATALOGUE)).values
    loose = messages.grep(/\A\{\d\} (?:taps|attempts|flights|tries|notes|measures)\b/)

    assert_empty loose
    assert_empty messages.grep(/&\w+;/), 'letters are written as they are read'
  end
end
