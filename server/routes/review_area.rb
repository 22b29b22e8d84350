# frozen_string_literal: true

module Fujin
  # Recordings in, attempts out, grades.
  class ReviewArea < Area
    # What a stream has before it is handed over. It has no length: of an empty list one would be said, 0, and whoever
    # reads would take the stream for over.
    NOTHING_YET = Enumerator.new { |_| nil }.freeze

    post_route '/api/sorties/:id/recordings' do
      sortie = find_sortie
      bytes = request.body.read(Settings::MAX_UPLOAD_BYTES + 1).to_s
      raise UnreadableRecording, 'The file is empty. Nothing was changed.' if bytes.empty?
      if bytes.bytesize > Settings::MAX_UPLOAD_BYTES
        raise UnreadableRecording,
              Text.of('The file is larger than %{max_upload_bytes} MB. Nothing was changed.',
                      max_upload_bytes: Settings::MAX_UPLOAD_BYTES / 1_048_576)
      end

      row = import(sortie, bytes, params['name'])
      json(recording_row(row), status: 202)
    end

    post_route '/api/sorties/:id/recordings/from-recorder' do
      sortie = find_sortie
      row = RecordingRow.find_by(id: body_json['id'])
      row ||=
        enqueue(
          RecordingRow.new(
            id: body_json['id'],
            sortie: sortie,
            by: current_person,
            name: 'flight from the recorder',
            source: 'recorder'
          )
        )
      json(recording_row(row), status: 202)
    end

    # The flight recorded as it is flown. Pace, for the stand-in, is times real time.
    post_route '/api/sorties/:id/recordings/live' do
      sortie = find_sortie
      row = RecordingRow.light.find_by(id: body_json['id'])
      row ||=
        record_live(
          RecordingRow.new(
            id: body_json['id'],
            sortie: sortie,
            by: current_person,
            name: 'flight, recorded live',
            source: 'live'
          ),
          body_json.fetch('pace', 1.0)
        )
      json(recording_row(row), status: 202)
    end

    post_route '/api/recordings/:id/stop' do
      row = RecordingRow.light.find(params['id'])
      unless row.source == 'live' && row.status == 'working' && RecordLive::TAKEN.include?(row.step)
        raise Conflict, 'This recording is not being recorded now.'
      end

      row.update!(step: RecordLive::STOPPING)
      json(recording_row(row), status: 202)
    end

    # Readings of the sortie's flight as they come, as server-sent events.
    get_route '/api/sorties/:id/live' do
      sortie = find_sortie
      watcher = LiveFeed.shared.watch(sortie.id, LiveWatcher.new(session['signed_in'], current_person))
      # The server hands the connection over once these are sent, and the thread is free again.
      headers 'Cache-Control' => 'no-store', 'X-Accel-Buffering' => 'no', 'rack.hijack' => watcher.method(:take)
      content_type 'text/event-stream'
      body NOTHING_YET
    end

    get_route '/api/recordings/:id' do
      row = RecordingRow.light.find(params['id'])
      own!(row.sortie.student_id)
      json(recording_row(row))
    end

    # Every sample of the strips, to be panned and zoomed where they are shown.
    get_route '/api/recordings/:id/series' do
      row = RecordingRow.light.find(params['id'])
      own!(row.sortie.student_id)
      raise Conflict, 'The recording is not read yet.' unless row.status == 'ready'

      json(WholeFlight.new(row, AttemptViews.new(row.sortie, current_person).numbers).to_h)
    end

    # What a device's headings mean: kept for every file with the same header row, and this file is read again.
    put_route '/api/recordings/:id/headings' do
      row = RecordingRow.find(params['id'])
      titles = Recordings.titles(row.bytes) if row.bytes
      unless row.status == 'failed' && titles
        raise Conflict, 'This recording was read already, or it is no CSV file: its headings need no telling.'
      end

      columns = body_json.fetch('columns')
      Recordings::Headings.new(columns)
      HeadingMapping.transaction do
        HeadingMapping.find_or_initialize_by(signature: Recordings::Headings.signature(titles)).update!(
          columns: columns,
          by: current_person
        )
        retry_import(row)
      end
      json(recording_row(row), status: 202)
    end

    get_route '/api/sorties/:id/attempts' do
      json(AttemptViews.new(find_sortie, current_person, measures: params['with'] == 'measures').to_a)
    end

    get_route('/api/attempts/:id') { json(view(find_attempt)) }

    get_route '/api/attempts/:id/strips' do
      attempt = find_attempt
      json(
        Strips.new(
          attempt,
          bins: params.fetch('bins', 600).to_i,
          from_s: params['from_s']&.to_f,
          to_s: params['to_s']&.to_f,
          held_back: HeldBack.from?(current_person, attempt)
        ).to_h
      )
    end

    get_route '/api/attempts/:id/pictures' do
      attempt = find_attempt
      json(DebriefPictures.new(attempt, current_person).to_h)
    end

    # Where it flew, point by point.
    get_route('/api/attempts/:id/path') { json({ 'points' => find_attempt.path || [] }) }

    get_route '/api/attempts/:id/one-change' do
      attempt = find_attempt
      if HeldBack.from?(current_person, attempt)
        raise Conflict, 'Grade yourself first: then you see what one change would have done.'
      end

      json(OneChangeQuestion.new(attempt).to_h)
    end

    post_route '/api/attempts/:id/grades' do
      attempt = find_attempt
      Grades.new(attempt, current_person, view(attempt)).add(body_json.fetch('grades'))
      json(view(attempt.reload))
    end

    # The fault that was played, or that the candidate found.
    post_route '/api/attempts/:id/fault-calls' do
      attempt = find_attempt
      FaultCalls.new(attempt, current_person).add(body_json)
      json(view(attempt.reload))
    end

    put_route '/api/attempts/:id/cut' do
      attempt = find_attempt
      AttemptRow.transaction do
        recut(attempt.recording).change(attempt, body_json['manoeuvre'], body_json['phases'])
        AuditEntry.note_changes('attempt cut anew', attempt, %w[manoeuvre start_s end_s], by: current_person)
      end
      json(view(attempt))
    end

    post_route '/api/attempts/:id/split' do
      attempt = find_attempt
      json(view(recut(attempt.recording).split(attempt, body_json['id'], body_json['at_s'])), status: 201)
    end

    post_route '/api/attempts/:id/join' do
      attempt = find_attempt
      json(view(recut(attempt.recording).join(attempt, AttemptRow.find(body_json['with']))))
    end

    post_route '/api/recordings/:id/attempts' do
      recording = RecordingRow.light.find(params['id'])
      raise Conflict, 'The recording is not read yet.' unless recording.status == 'ready'

      row = recut(recording).add(body_json['id'], body_json['manoeuvre'], body_json['start_s'])
      json(view(row), status: 201)
    end

    # Announced, a surprise or a demonstration; which control was the student's.
    put_route '/api/attempts/:id/manner' do
      attempt = find_attempt
      AttemptRow.transaction do
        attempt.update!(body_json.slice('manner', 'task', 'throttle_by'))
        AuditEntry.note_changes('how an attempt was flown', attempt, %w[manner task throttle_by], by: current_person)
      end
      json(view(attempt))
    end

    put_route '/api/attempts/:id/exercise' do
      attempt = find_attempt
      exercise = body_json['exercise_id'] && attempt.sortie.exercise(body_json['exercise_id'])
      json(view(RecutAttempt.new(attempt.sortie, attempt.recording, by: current_person).give(attempt, exercise)))
    end

    put_route '/api/attempts/:id/spot' do
      attempt = find_attempt
      json(view(recut(attempt.recording).measure_from(attempt, body_json['from'])))
    end

    put_route '/api/attempts/:id/void' do
      attempt = find_attempt
      counts = body_json['counts']
      if !counts && body_json['reason'].to_s.strip.empty?
        raise InvalidInput, [{ path: 'reason', message: 'expected a reason for an attempt that does not count' }]
      end

      AttemptRow.transaction do
        attempt.update!(counts: counts, void_reason: counts ? nil : body_json['reason'])
        AuditEntry.note_changes(counts ? 'attempt counts again' : 'attempt does not count', attempt, %w[counts],
                                by: current_person, why: body_json['reason'])
      end
      json(view(attempt))
    end

    helpers do
      def recording_row(row) = Serialisers.recording_row(row, attempts: row.attempts.count)

      def find_attempt
        attempt = AttemptRow.find(params['id'])
        own!(attempt.sortie.student_id)
        Sortie.take_exercises([attempt.sortie])
        LightAttempts.take_exercises([attempt], [attempt.sortie])
        attempt
      end

      def recut(recording) = RecutAttempt.new(recording.sortie, recording, by: current_person)

      # The same bytes twice answer with the first; a failed one is tried again.
      def import(sortie, bytes, name)
        # A flight is the same flight packed or not.
        digest = Recordings::Packed.digest(bytes, name)
        existing = RecordingRow.light.find_by(sortie_id: sortie.id, sha256: digest)
        return existing if existing && existing.status != 'failed'
        return retry_import(existing) if existing

        enqueue(
          RecordingRow.new(
            id: SecureRandom.uuid,
            sortie: sortie,
            by: current_person,
            name: name,
            sha256: digest,
            bytes: bytes
          )
        )
      end

      def retry_import(row)
        row.update!(status: 'waiting', step: 'waiting for a worker', progress: 0.0, error: nil)
        ImportRecording.for(row)
        row
      end

      # One at a time, also for those who press at the same moment.
      def record_live(row, pace)
        row.sortie.with_lock do
          busy = RecordingRow.light.where(sortie_id: row.sortie_id, source: 'live', status: %w[waiting working],
                                          step: RecordLive::TAKEN).where.not(id: row.id).exists?
          raise Conflict, 'This sortie is being recorded already.' if busy

          unless RecordingRow.exists?(id: row.id)
            row.save!
            RecordLive.enqueue(row.id, pace)
          end
        end
        row
      end

      # Row and job in one transaction: neither without the other.
      def enqueue(row)
        RecordingRow.transaction do
          row.save!
          ImportRecording.for(row)
        end
        row
      end

      def view(attempt) = AttemptViews.new(attempt.sortie, current_person).of(attempt)
    end
  end
end
