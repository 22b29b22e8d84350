# frozen_string_literal: true

require 'minitest/autorun'
require_relative '../../server/app'
require_relative '../constants_used'

# The server's folders use each other one way: routes ask queries, queries ask models; serialisers ask nobody, so that
# the command line can use them without a database.
class ServerDirectionTest < Minitest::Test
  SERVER = File.expand_path('../../server', __dir__)
  MAY_USE = {
    'serialisers' => [],
    'models' => [],
    'documents' => %w[serialisers],
    'queries' => %w[models serialisers documents],
    'jobs' => %w[queries models serialisers documents],
    'routes' => %w[jobs queries models serialisers documents]
  }.freeze
  # What starts or carries the whole, and may know all of it.
  TOP = %w[app.rb boot.rb area.rb permissions.rb worker.rb].freeze
  USED = ConstantsUsed.new(SERVER)

  def self.folder(file) = file.include?('/') ? file.split('/').first : file

  def test_every_folder_uses_only_what_it_may
    wrong = USED.files.flat_map do |file|
      allowed = MAY_USE[self.class.folder(file)] or next []
      USED.used_by(file).filter_map do |used|
        to = self.class.folder(used)
        "#{file} uses #{used}" if (MAY_USE.key?(to) || TOP.include?(to)) && to != self.class.folder(file) &&
          !allowed.include?(to) && to != 'area.rb'
      end
    end

    assert_empty wrong
  end

  def test_no_circle_runs_through_the_application
    below = USED.files - TOP - ['app.rb']
    back = below.select { |file| USED.used_by(file).include?('app.rb') }

    assert_empty back
  end

  def test_serialisers_ask_no_database
    asking = Dir["#{SERVER}/serialisers/*.rb"].select do |file|
      File.read(file).match?(/\.(where|find_by|count\b(?! *[{(&])|pluck|exists\?|first!|create!|update!)/)
    end

    assert_empty(asking.map { |file| File.basename(file) })
  end

  def test_the_reading_finds_what_is_there
    assert_includes USED.used_by('queries/signing.rb'), 'documents/sign_off_document.rb'
    assert_includes USED.used_by('routes/sorties_area.rb'), 'queries/sortie_view.rb'
  end
end
