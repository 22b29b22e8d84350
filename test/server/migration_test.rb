# frozen_string_literal: true

require 'active_record'
require_relative '../../db/migrate/20261127000002_ranges_of_measures'
require_relative '../../db/migrate/20261128000002_lessons_of_exercises'
require_relative '../server_helper'

# What was stored before means the same after.
class MigrationTest < Minitest::Test
  include ServerHelp

  OLD = {
    'events' => { 'level_s' => 60.0 },
    'phases' => [],
    'measures' => {
      'glide_ias_mean_kt' => { 'value' => 63.0, 'low' => 56.0, 'high' => 70.0, 'uncertainty' => 2.0,
                               'verdict' => 'in' },
      'min_rotor_rpm_pct' => { 'value' => nil, 'low' => nil, 'high' => nil, 'uncertainty' => nil },
      'power_on_s' => { 'value' => 61.2, 'low' => nil, 'high' => nil, 'uncertainty' => 0.2 }
    }
  }.freeze

  BEFORE_LESSONS = 20_261_128_000_001

  # A sortie of before becomes a lesson of one exercise, nothing lost; back again, its first exercise is the sortie's.
  def test_a_sortie_becomes_a_lesson_of_one_exercise_and_back
    attempts = imported(@sortie)
    kept = @sortie.exercise.attributes.slice(*LessonsOfExercises::MOVED)
    ids = attempts.select(&:asked?).map(&:id)
    migrate(:down)
    old = ActiveRecord::Base.connection.select_one("SELECT * FROM sorties WHERE id = '#{@sortie.id}'")

    told = %w[manoeuvre spot_name course_deg]

    assert_equal kept.values_at(*told), old.values_at(*told)
    migrate(:up)

    assert_equal kept, Fujin::Exercise.find_by(sortie_id: @sortie.id).attributes.slice(*LessonsOfExercises::MOVED)
    assert_equal ids.sort, Fujin::AttemptRow.where.not(exercise_id: nil).map(&:id).sort
  ensure
    migrate(:up)
  end

  # Every later step with it, as a database is really taken back, so that none is missing after.
  def migrate(way)
    Fujin::Database.as_owner do
      steps = ActiveRecord::MigrationContext.new(Fujin::Database::MIGRATIONS)
      ActiveRecord::Migration.suppress_messages { steps.down(BEFORE_LESSONS) } if way == :down
    end
    Fujin::Database.migrate if way == :up
    ActiveRecord::Base.descendants.reject(&:abstract_class?).each(&:reset_column_information)
  end

  def test_bands_keep_their_place_under_a_new_name
    attempt = imported(@sortie).first
    attempt.update_columns(proposal: OLD)
    ActiveRecord::Migration.suppress_messages { RangesOfMeasures.new.up }
    found = attempt.reload.proposal['measures']

    assert_equal [56.0, 70.0, 61.0, 65.0, 'in'],
                 found['glide_ias_mean_kt'].values_at('band_low', 'band_high', 'low', 'high', 'verdict')
    assert_equal [nil, nil], found['min_rotor_rpm_pct'].values_at('low', 'high')
    assert_in_delta 1.2, found['power_on_s']['value']
    ActiveRecord::Migration.suppress_messages { RangesOfMeasures.new.down }

    assert_equal OLD['measures']['glide_ias_mean_kt'], attempt.reload.proposal['measures']['glide_ias_mean_kt']
    assert_in_delta 61.2, attempt.proposal['measures']['power_on_s']['value']
  end
end
