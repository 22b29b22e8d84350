# frozen_string_literal: true

require 'que'
require_relative 'flight_watcher'
require_relative 'gives_up'

module Fujin
  # Records a flight as it is flown: keeps the recorder's sentences as they come, tells whoever watches each reading,
  # and when the line ends hands what arrived to the import. A worker that dies keeps what was stored; another goes on
  # from there.
  class RecordLive < Que::Job
    include GivesUp

    self.maximum_retry_count = 3

    KEEP_EVERY_S = 1.0
    RECORDING = 'recording live'
    STOPPING = 'stopping'
    # Steps in which the flight is still being taken; after them it is read like any other.
    TAKEN = ['waiting for a worker', RECORDING, STOPPING].freeze
    DIGITS = { 'rotor_rpm_pct' => 1, 'ias_kt' => 1, 'sink_fpm' => 0, 'height_ft' => 1 }.freeze

    def run(recording_id, pace = 1.0)
      row = RecordingRow.light.find_by(id: recording_id)
      # Handed over already: a job that runs again records nothing a second time.
      return finish if row.nil? || !TAKEN.include?(row.step)

      row.update!(status: 'working', step: RECORDING, progress: 0.0)
      record(row, pace)
      finish
    rescue UnreadableRecording => e
      kept?(row) ? hand_over(row, e.message) : row.update!(status: 'failed', step: 'not recorded', error: e.message)
      finish
    end

    private

    def work_row(id) = RecordingRow.light.find_by(id: id)

    def given_up =
      'Recording this flight failed. What had arrived is kept; the file on the recorder can still be loaded.'

    # The exercise that was tapped last, or the first.
    def exercise_now(sortie)
      id = HelpTaps.new(sortie.fly_events.to_a).exercises.last&.last
      sortie.exercises.find { |exercise| exercise.id == id } || sortie.exercise
    end

    def kept?(row) = RecordingRow.where(id: row.id).where('length(bytes) > 0').exists?

    def record(row, pace)
      stream = Live::NmeaStream.new
      monitor = Live::Monitor.new(SortieSetting.new(row.sortie, {}, exercise_now(row.sortie)).grading_context)
      watch = FlightWatcher.new(row.sortie, row.id)
      @unkept = String.new(encoding: Encoding::BINARY)
      @kept_at = now
      reason =
        RecorderLink
          .new(Settings.recorder_host, Settings.recorder_port)
          .follow(row.sortie, pace: pace) do |bytes|
            follow(row, stream.take(bytes), monitor, watch) if bytes
            @unkept << bytes if bytes
            now - @kept_at >= KEEP_EVERY_S ? keep(row) : nil
          end
      keep(row)
      watch.close
      hand_over(row, reason)
    ensure
      watch&.close
    end

    def follow(row, samples, monitor, watch)
      show(row, samples.map { |sample| monitor.take(sample) })
      watch.take(samples)
    end

    # Of a burst only the last is news.
    def show(row, readings)
      reading = readings.last or return
      LiveFeed.publish(row.sortie_id, 'recording' => row.id, 'reading' => view(reading))
    end

    def view(reading)
      gate = reading.gate
      {
        't_s' => reading.t_s.round(3),
        'phase' => reading.phase,
        'bands' => reading.bands.transform_values { |band| band.map { |v| v&.round(1) } },
        'gate' =>
          gate &&
            {
              'call' => gate.call,
              'height_ft' => gate.height_ft.round,
              'seconds' => gate.seconds&.round(1),
              'reasons' => gate.reasons
            }
      }.merge(DIGITS.to_h { |name, digits| [name, reading.public_send(name)&.round(digits)] })
    end

    # Stores what arrived. @return [Symbol, nil] :stop when somebody asked for that, or when it is too long
    def keep(row)
      @kept_at = now
      unless @unkept.empty?
        RecordingRow.where(id: row.id).update_all(
          [
            "bytes = coalesce(bytes, ''::bytea) || ?, updated_at = now()",
            ActiveModel::Type::Binary.new.serialize(@unkept)
          ]
        )
        @unkept.clear
      end
      step, size = RecordingRow.where(id: row.id).pick(:step, Arel.sql('length(bytes)'))
      step == STOPPING || size.to_i > Settings::MAX_UPLOAD_BYTES ? :stop : nil
    end

    # What arrived goes to the import, with the reason it ended.
    def hand_over(row, reason)
      return row.update!(status: 'failed', step: 'not recorded', error: "Nothing arrived: #{reason}.") unless kept?(row)

      digest = Digest::SHA256.hexdigest(RecordingRow.where(id: row.id).pick(:bytes))
      RecordingRow.transaction do
        row.update!(sha256: digest, status: 'waiting', step: "#{reason}; what arrived is kept and waits to be read")
        ImportRecording.enqueue(row.id)
      end
      LiveFeed.publish(row.sortie_id, 'recording' => row.id, 'ended' => reason)
    end

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
