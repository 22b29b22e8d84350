# frozen_string_literal: true

require_relative '../server_helper'

# Which job goes first, and how many one person may ask for at once.
class JobsTest < Minitest::Test
  include ServerHelp

  def queued(job)
    ActiveRecord::Base.connection.select_rows(
      "SELECT args ->> 0, priority FROM que_jobs WHERE job_class = 'Fujin::#{job}' ORDER BY priority, run_at, id"
    )
  end

  def spread(oat_c)
    post_json "/api/sorties/#{@sortie.id}/dispersions", { oat_c: oat_c }
    answer
  end

  # One brings many files, then another brings one: it is next but one.
  def test_two_hundred_files_of_one_hold_nobody_up
    row = ->(by, i) { Fujin::RecordingRow.create!(sortie: @sortie, by: by, name: "#{i}.csv", bytes: 'x', sha256: i.to_s) }
    many = Array.new(200) { |i| row.call(@instructor, i).tap { |one| Fujin::ImportRecording.for(one) } }
    own = row.call(@chief, 'chief').tap { |one| Fujin::ImportRecording.for(one) }
    order = queued('ImportRecording').map(&:first)

    assert_equal [many.first.id, own.id], order.first(2)
    assert_equal (many.map(&:id) + [own.id]).sort, order.sort
    assert_equal many.map(&:id), order - [own.id], 'each in the order in which it came'
  end

  # Every import is more urgent than every spread, and a flight that is flown than every import.
  def test_what_somebody_waits_for_goes_before_what_can_wait
    kinds = [Fujin::RecordLive.priority, Fujin::SendMail.priority, *Fujin::Urgency::IMPORT.minmax,
             Fujin::MeasureAgain.priority, *Fujin::Urgency::SPREAD.minmax, Fujin::Regrade.priority]

    assert_equal kinds.sort, kinds
    assert_includes Fujin::Urgency::WORKERS, Fujin::Urgency::IMPORT.end, 'an import has a worker that takes no spread'
    assert_operator Fujin::Urgency::WORKERS.count('any'), :>=, 2
  end

  # A learner who asks again and again: the last few stand, the first are told why they do not.
  def test_spreads_that_are_no_longer_wanted_are_dropped
    as(@student)
    ids = (1..6).map { |i| spread(i)['id'] }
    kept = Fujin::DispersionRow.wanted.pluck(:id)

    assert_equal(ids.last(Fujin::Disperse::MOST_EACH), kept.sort_by { |id| ids.index(id) })
    get "/api/dispersions/#{ids.first}"

    assert_equal ['failed', Fujin::Disperse::DROPPED], answer.values_at('status', 'error')
    Fujin::Disperse.run(ids.first)

    assert_equal 0, Fujin::DispersionRow.find(ids.first).runs, 'what was dropped is not worked out'
    assert_equal 'waiting', spread(1)['status'], 'asked again it is wanted again'
  end

  def test_what_is_dropped_while_it_is_worked_out_stays_dropped
    as(@student)
    id = spread(1)['id']
    row = Fujin::DispersionRow.find(id)
    # By somebody else, at its first result.
    drop = ->(*, payload) do
      next unless payload[:sql].start_with?('UPDATE "dispersions"')

      TestDatabase.own("UPDATE dispersions SET status = 'failed' WHERE id = '#{id}'")
    end
    ActiveSupport::Notifications.subscribed(drop, 'sql.active_record') { Fujin::Disperse.run(id) }

    assert_equal ['failed', Fujin::Disperse::BATCH], row.reload.values_at(:status, :runs)
  end

  # Switched on late, it is still heard; off for good, that is said.
  def test_a_recorder_that_does_not_answer_is_asked_again
    ENV['FUJIN_RECORDER_PORT'] = Fujin::Cluster.free_port.to_s
    row = Fujin::RecordingRow.create!(sortie: @sortie, by: @instructor, name: 'flight', source: 'recorder')
    attempt = ->(count) { Fujin::ImportRecording.new(args: [row.id], kwargs: {}, error_count: count).run(row.id) }
    attempt.call(0)

    assert_equal ['waiting', 'the recorder does not answer; it is asked again in 3 s'],
                 row.reload.values_at(:status, :step)
    attempt.call(Fujin::ImportRecording::WAITS_S.size)

    assert_equal 'failed', row.reload.status
    assert_includes row.error, 'switched on'
  ensure
    ENV.delete('FUJIN_RECORDER_PORT')
  end
end
