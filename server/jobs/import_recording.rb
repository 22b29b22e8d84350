# frozen_string_literal: true

require 'que'
require 'socket'
require_relative 'gives_up'
require_relative 'measure_again'

module Fujin
  # Reads, finds, measures and grades one recording. Safe to run again at any point: results appear in one transaction,
  # with ids made from the recording's, so a worker killed in the middle loses nothing and repeats nothing.
  class ImportRecording < Que::Job
    include GivesUp

    self.maximum_retry_count = 5

    PATH_EVERY_S = 0.5
    # Seconds before a recorder that does not answer is asked again.
    WAITS_S = [3, 10, 30, 90].freeze

    # @param row [RecordingRow] to be read; in the transaction that holds it
    def self.for(row)
      waiting = RecordingRow.where(by_id: row.by_id, status: %w[waiting working]).where.not(id: row.id).count
      enqueue(row.id, job_options: { priority: Urgency.behind(Urgency::IMPORT, waiting) })
    end

    def run(recording_id)
      row = RecordingRow.find_by(id: recording_id)
      return finish if row.nil? || row.status == 'ready'

      import(row)
      finish
    rescue UnknownHeadings => e
      row.update!(
        status: 'failed',
        step: 'waits for its headings',
        error: e.message,
        summary: {
          'headings' => asked(e),
          'meanings' => meanings
        }
      )
      finish
    rescue RecorderLink::Unreachable => e
      ask_again(row, e)
    rescue Error, InvalidInput => e
      # The file is at fault, and will be at the next try.
      row.update!(status: 'failed', step: 'not imported', error: e.message)
      finish
    end

    private

    def work_row(id) = RecordingRow.light.find_by(id: id)

    def given_up =
      'This recording could not be worked through. Its file is kept as it came; tell the school which it is.'

    # A recorder that is switched on late is still heard.
    def ask_again(row, failure)
      wait_s = WAITS_S[error_count]
      unless wait_s
        row.update!(status: 'failed', step: 'not imported', error: failure.message)
        return finish
      end

      row.update!(status: 'waiting', step: Text.of('the recorder does not answer; it is asked again in %{wait_s} s',
                                                   wait_s: wait_s))
      retry_in(wait_s)
    end

    def import(row)
      say(row, 'fetching from the recorder', 0.02) { fetch(row) } if row.bytes.nil?
      recording = nil
      say(row, 'reading the file', 0.1) do
        total = [row.bytes.count("\n"), 1].max
        recording =
          Recordings.read(row.bytes, name: row.name, headings: HeadingMapping.for(row.bytes)) do |line|
            say(row, Text.of('reading row %{line}', line: line), 0.1 + (0.3 * line / total))
          end
      end
      recording = by_our_clock(recording, row.clock_behind_s)
      lesson = LessonSetting.new(row.sortie)
      signals = nil
      say(row, 'filling gaps and smoothing', 0.45) { signals = StoredSignals.from(recording, lesson.day) }
      found = nil
      say(row, 'finding and measuring attempts', 0.6) { found = lesson.found(signals) }
      say(row, 'storing', 0.9)
      store(row, recording, signals, found, lesson.day)
    end

    # A recorder's clock that is off, as it was seen while the flight was followed.
    def by_our_clock(recording, behind_s)
      return recording unless behind_s && recording.clock_s

      recording.with(clock_s: recording.clock_s + behind_s)
    end

    def meanings =
      Recordings::Headings::CHANNELS.map do |channel|
        { 'channel' => channel, 'label' => Recordings::Channels::LABELS.fetch(channel),
          'units' => Recordings::Headings.units(channel) }
      end

    # Each heading with its first cell and the likeliest meaning.
    def asked(unknown)
      unknown.headings.each_with_index.map do |heading, i|
        channel, unit = Recordings::Headings.guess(heading)
        { 'heading' => heading, 'example' => unknown.example[i].to_s[0, 40], 'channel' => channel, 'unit' => unit }
      end
    end

    # Progress is stored at once, outside the transaction that holds the results.
    def say(row, step, progress)
      row.update!(status: 'working', step: step, progress: progress)
      yield if block_given?
    end

    def fetch(row)
      bytes = RecorderLink.new(Settings.recorder_host, Settings.recorder_port).fetch(row.sortie)
      digest = Digest::SHA256.hexdigest(bytes)
      row.update!(bytes: bytes, sha256: digest)
    rescue ActiveRecord::RecordNotUnique
      raise UnreadableRecording, 'The recorder sent a flight that is already in this sortie. Nothing was changed.'
    end

    def store(row, recording, signals, found, day)
      Record.transaction do
        # Another worker may have finished it while this one was measuring.
        row.lock!
        next if row.status == 'ready'

        ChannelRow.where(recording_id: row.id).delete_all
        names = { 't_s' => recording.times }.merge(recording.channels)
        ChannelRow.insert_all!(names.map { |name, values| ChannelRow.pack(name, values).merge(recording_id: row.id) })
        # What the lesson was for is counted first: the cockpit's taps go by that number.
        own, others = found.partition(&:exercise)
        said = said_of(row, signals, own.map { |one| one.proposal.attempt })
        (own + others).each_with_index { |one, i| store_attempt(row, i, one, signals, day, said) }
        flag_aircraft(row.sortie, found.map(&:proposal))
        row.update!(
          status: 'ready',
          step: 'imported',
          progress: 1.0,
          error: nil,
          summary:
            Serialisers
              .recording(signals)
              .except('name', 'bridged')
              .merge('bridged' => recording.bridged, 'power_card' => Recordings::PowerCard.of(signals),
                     'clock_s' => recording.clock_s, 'own_datum' => recording.own_datum)
        )
        StripSources.keep(row, signals)
        row.save!
        # A place that was moved while this was being measured.
        MeasureAgain.of(row.sortie, row.by)
      end
    end

    def store_attempt(row, position, found, signals, day, said)
      proposal = found.proposal
      attempt = proposal.attempt
      context = found.exercise&.context || day.open_context
      AttemptRow.create!(
        id: attempt_id(row, position),
        sortie: row.sortie,
        recording: row,
        exercise_id: found.exercise&.id,
        plan_version: found.exercise&.plan_version || 0,
        position: position,
        manoeuvre: attempt.manoeuvre,
        start_s: attempt.start_s,
        end_s: attempt.end_s,
        **said.call(position, attempt, found.exercise && row.sortie.exercise(found.exercise.id)),
        # As agreed for the exercise; Review can say otherwise of one attempt.
        throttle_by: Catalogue.find(attempt.manoeuvre).power_off ? context.house['throttle_by'] : nil,
        proposal: Serialisers.proposal(proposal, day.type),
        path: FlownPath.new(signals, proposal, context.spot).points
      )
    end

    # What the cockpit's taps say of an attempt: by the clock, where the recording has one and an attempt lies between
    # the taps of a hand-over; else by its place in this recording, after those of earlier ones.
    def said_of(row, signals, own)
      taps = HelpTaps.new(row.sortie.fly_events.to_a)
      before = row.sortie.attempts.where.not(recording_id: row.id).count + 1
      match = TapMatch.new(taps, signals.recording.clock_s, own)
      ->(position, attempt, exercise) do
        number = match.number(attempt) || (before + position)
        handed = attempt.event(:handed_s)&.then { |moment| taps.task_at(moment + signals.recording.clock_s) }
        { manner: taps.manner(number) || exercise&.manner || 'announced',
          task: handed || taps.task(number) || exercise&.task || 'whole',
          tap_no: match.number(attempt) }
      end
    end

    def attempt_id(row, position) = Digest::UUID.uuid_v5(row.id, "attempt #{position}")

    # A limit passed puts the aircraft on the list until somebody qualified clears it.
    def flag_aircraft(sortie, proposals)
      passed = proposals.flat_map { |p| p.faults.select { |fault| fault.id == 'exceeded_limit' } }
      return if passed.empty?

      sortie.aircraft.look_first!("#{sortie.day}: #{passed.map(&:evidence).join('; ')}")
    end
  end
end
