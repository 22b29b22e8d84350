# frozen_string_literal: true

require_relative '../server_helper'
require 'open3'
require 'tmpdir'
require 'zlib'
require_relative '../by_lot'

# A cluster with what an earlier version had stored.
module EarlierVersion
  KEPT = %w[people aircraft sorties recordings attempts grades fly_events sign_offs].freeze
  ADDRESSES = %w[FUJIN_DATABASE_URL FUJIN_OWNER_URL].freeze

  def counts = KEPT.to_h { |table| [table, @cluster.ask('fujin', "SELECT count(*) FROM #{table}").to_i] }
  def forget_the_tables = ActiveRecord::Base.descendants.reject(&:abstract_class?).each(&:reset_column_information)

  def load_dump(file)
    @cluster.ask('postgres', 'CREATE DATABASE fujin')
    @cluster.ask('fujin', Zlib::GzipReader.open(file, &:read))
  end

  # As a start does. What it said, when it failed.
  # @return [String, nil]
  def bring_up_to_date
    @cluster.create_database('fujin')
    urls = ADDRESSES.zip([@cluster.url('fujin'), @cluster.owner_url('fujin')]).to_h
    out, status = Open3.capture2e(urls.merge('FUJIN_DEMO' => 'none'), 'bundle', 'exec', 'ruby',
                                  'server/prepare_database.rb', chdir: Fujin::Settings::ROOT)
    ENV.update(urls)
    Fujin::Database.connect
    forget_the_tables
    status.success? ? nil : out
  end

  # @return [Array<String>] what its pages read
  def pages
    lesson = Fujin::Sortie.joins(:attempts).order(:starts_at).first
    student = "/api/students/#{lesson.student_id}"
    attempts = lesson.attempts.ids.product(['', '/strips', '/pictures', '/path'])
    attempts = attempts.map { |id, what| "/api/attempts/#{id}#{what}" }
    ['/api/today', '/api/people', student, "#{student}/lessons", "#{student}/solo", '/api/agreement',
     "/api/sorties/#{lesson.id}",
     "/api/sorties/#{lesson.id}/attempts", *attempts]
  end

  # @return [Hash{String => Object}] what each says, its status where it is none
  def read_all
    as(Fujin::Person.find_by(sign_in: 'chief'))
    pages.to_h { |path| [path, get(path) && (status == 200 ? answer : last_response.body)] }
  end
end

# What earlier versions stored is brought up to date by a start, and everything of it is there and can be read.
#
# Of those in test/dumps, each is what the version whose newest migration it is named by had stored (test/dumps/dump.rb)
# after its own tests' school was taught two lessons alone, two attempts each, graded, signed off, one tap.
class EarlierVersionsTest < Minitest::Test
  extend ByLot
  include ServerHelp
  include EarlierVersion

  by_lot(/\Atest_what_\d+_stored_/)

  DUMPS = Dir[File.expand_path('../dumps/*.sql.gz', __dir__)]

  def setup
    @folder = Dir.mktmpdir('fujin-earlier', '/var/tmp')
    File.chmod(0o755, @folder)
    @cluster = Fujin::Cluster.new(File.join(@folder, 'database'), port: Fujin::Cluster.free_port, durable: false)
    @cluster.create
    @server = @cluster.spawn_server(File.join(@folder, 'log'))
    @cluster.wait
    @before = ENV.slice(*ADDRESSES)
  end

  def teardown
    ENV.update(@before)
    Fujin::Database.connect
    forget_the_tables
    Process.kill('QUIT', @server)
    Process.wait(@server)
    FileUtils.rm_rf(@folder)
  end

  def test_there_are_some = assert_operator(DUMPS.size, :>=, 4)

  DUMPS.each do |file|
    define_method("test_what_#{File.basename(file)[/\d+/]}_stored_is_there") do
      load_dump(file)
      stored = counts

      assert_nil bring_up_to_date
      assert_equal stored, counts
      refute_predicate ActiveRecord::MigrationContext.new(Fujin::Database::MIGRATIONS), :needs_migration?
      said = read_all

      assert_empty(said.select { |_, told| told.is_a?(String) })
      record = said.find { |path, _| path.match?(%r{\A/api/students/[^/]+\z}) }.last

      flown = said.sum { |_, told| told.is_a?(Hash) ? told.fetch('history', []).size : 0 }

      assert_equal [4, 1], [flown, record['sign_offs'].size]
      assert_equal [true, 1], [Fujin::ChainReading.new.holds?, Fujin::ChainLink.count]
      assert_empty Fujin::KeptProgress.differing(Fujin::Person.learners.to_a)
    end
  end
end
