# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'kept'

# Histories by lot: what a student's attempts at two manoeuvres say of readiness and standing, and what is advised next,
# as it was.
class KeptProgressTest < Minitest::Test
  Progress = Fujin::Progress
  KINDS = %w[straight_in_autorotation normal_approach].freeze
  FROM = Date.new(2026, 9, 1)

  def test_what_histories_by_lot_say_is_as_it_was
    @random = Random.new(17)
    found = Array.new(200) do |i|
      attempts = KINDS.to_h { |kind| [kind, history(kind)] }
      [i.to_s, Kept.sum([*attempts.values.map { |all| ready(all) }, next_lesson(attempts)])]
    end

    assert_empty Kept.differences('progress', found.to_h)
  end

  private

  def one_of(*all) = all.sample(random: @random)

  def history(kind)
    Array.new(@random.rand(10)) { @random.rand(60) }.sort.each_with_index.map do |day, i|
      phases = Fujin::Catalogue.find(kind).phases.first(3)
      Progress::GradedAttempt.new(
        manoeuvre: kind, flown_at: day + (i / 100.0), on_day: FROM + day,
        grades: phases.to_h { |phase| [phase, one_of(1, 2, 3, 3, 3, 4, 4, 4, nil)] },
        help: one_of('alone', 'alone', 'alone', 'prompted', 'taken'), counts: @random.rand < 0.9,
        critical: @random.rand < 0.1, trainer: @random.rand < 0.2, stage: one_of('early', 'solo', 'solo', 'test')
      )
    end
  end

  def ready(attempts)
    rule = { attempts: @random.rand(2..4), days: @random.rand(1..3) }
    readiness = Progress::Readiness.new(attempts, rule, stage: one_of(nil, 'solo'))
    standing = Progress::Standing.new(attempts)
    [readiness.conditions.map { |one| [one.id, one.met ? 1 : 0, one.text] }, readiness.evidence.size,
     [standing.level, standing.last_flown&.iso8601, standing.trend.to_s, standing.stuck? ? 1 : 0,
      standing.weakest_phase.to_s]]
  end

  def next_lesson(attempts)
    declared = KINDS.map { |kind| Fujin::Catalogue.find(kind) }
    Progress::NextLesson.new(declared, attempts.transform_values { |all| Progress::Standing.new(all) },
                             signed: one_of([], [KINDS.first]), today: FROM + 60 + @random.rand(90)).advice.inspect
  end
end
