# frozen_string_literal: true

require_relative '../server_helper'

# What the chief instructor reads of the installation: what somebody has to do first.
class RunningTest < Minitest::Test
  include ServerHelp

  def running
    as(@chief)
    get '/api/running'
    answer
  end

  def test_what_somebody_has_to_do_is_said_first
    told = running

    assert_equal ['There is no backup yet: bin/fujin backup FOLDER (docs/operating.md).',
                  'No worker runs: recordings wait, letters too. Start it (bin/start).'], told['to_do']
    Fujin::Backup.create!(at: 8.days.ago, folder: '/backups', bytes: 1, links: 0, latest_hash: 'x')

    assert_equal 'The last backup is 8 days old: bin/fujin backup FOLDER.', running['to_do'].first
    Fujin::ChainCheck.create!(at: Time.now.utc, holds: false, links: 3, latest_hash: 'x', faults: ['Link 2: altered'])

    assert_match(/was altered: Link 2: altered\. Sign nothing more/, running['to_do'].first)
    get '/api/today'

    assert_equal 'running', answer['attention'].first['kind']
    as(@instructor)
    get '/api/today'

    refute_includes answer['attention'].map { |one| one['kind'] }, 'running'
    get '/api/running'

    assert_equal 403, status
  end

  def test_what_waits_and_what_failed
    row = Fujin::RecordingRow.create!(sortie: @sortie, by: @instructor, name: 'flight.csv', bytes: 'x', sha256: 'x')
    Fujin::ImportRecording.for(row)
    Fujin::CheckChain.begin

    assert_equal([['recordings to read', 1]], running['waiting'].map { |one| one.values_at('what', 'count') })
    Fujin::ImportRecording.run(row.id)
    failed = running['failures'].first

    assert_equal 'Instructor', failed['asked_by']
    assert_match(/\Aflight\.csv: /, failed['what'])
  end
end
