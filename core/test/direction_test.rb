# frozen_string_literal: true

require_relative 'test_helper'
require_relative '../../test/constants_used'

# Dependencies point one way: a folder of the core uses those above it in the list of core/lib/fujin.rb, never those
# below; families do not know each other; shared folders name no manoeuvre. Read from the syntax tree: every constant
# that a file uses, found where Ruby would find it.
class DirectionTest < Minitest::Test
  LIB = File.expand_path('../lib/fujin', __dir__)
  ORDER = File.read("#{LIB}.rb")[/never those below\.\n#\n(.*?)\nmodule/m, 1].scan(%r{^#   (\w+)/?}).flatten.freeze
  IDS = Fujin::Catalogue.all.map(&:id).freeze
  # The words of the day's plan and of the file format that read like a manoeuvre's id.
  NOT_IDS = %w[hover circuit rectangle].freeze

  # A site's lines are flown as approaches and departures are: the one family that builds on others.
  BUILDS_ON = { 'manoeuvres/confined' => %w[manoeuvres/approach manoeuvres/departure] }.freeze

  USED = ConstantsUsed.new(LIB)

  def self.folder(file) = file.start_with?('manoeuvres/') ? file.split('/').first(2).join('/') : file[%r{\A[^/.]+}]
  def self.place(folder) = ORDER.index(folder.split('/').first)

  # Folder to folder, each with a file that does it.
  def self.arrows
    @arrows ||= USED.files.each_with_object({}) do |file, all|
      USED.used_by(file).each do |used|
        pair = [folder(file), folder(used)]
        all[pair] ||= "#{file} uses #{used}" if pair.uniq.size == 2
      end
    end
  end

  def test_every_folder_has_its_place_in_the_list
    folders = USED.files.map { |file| self.class.folder(file).split('/').first }.uniq

    assert_empty folders - ORDER - %w[errors], 'say in core/lib/fujin.rb what the folder is for, in its place'
  end

  def test_a_folder_uses_only_those_above_it
    upward = self.class.arrows.select do |(from, to), _|
      to != 'errors' && (self.class.place(to) || -1) > (self.class.place(from) || ORDER.size)
    end

    assert_empty upward.values
  end

  def test_families_do_not_know_each_other
    across = self.class.arrows.select { |pair, _| pair.all? { |folder| folder.start_with?('manoeuvres/') } }
      .reject { |(from, to), _| BUILDS_ON.fetch(from, []).include?(to) }

    assert_empty across.values
  end

  def test_shared_folders_name_no_manoeuvre_and_do_not_ask_the_catalogue
    shared = USED.files.reject do |file|
      file.start_with?('manoeuvres/', 'lessons', 'progress/', 'solo/', 'live/', 'catalogue', 'truth/')
    end
    asking = shared.select { |file| USED.names(file).any? { |name| name.start_with?('Fujin::Catalogue') } }
    naming = shared.select do |file|
      words = File.read(File.join(LIB, file)).gsub(/^\s*#.*$/, '').scan(/'(\w+)'/).flatten
      words.intersect?(IDS - NOT_IDS)
    end

    assert_empty asking
    assert_empty naming
  end

  # What would notice that the reading above has gone blind.
  def test_the_reading_finds_what_is_there
    assert_operator self.class.arrows.size, :>, 40
    assert self.class.arrows.key?(['manoeuvres/approach', 'grading'])
    assert_equal 'Fujin::Grading::Knob', USED.resolve('Grading::Knob', %w[Fujin Manoeuvres Approach Knobs])
  end
end
