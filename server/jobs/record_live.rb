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
    self.priority = Urgency::LIVE

    KEEP_EVERY_S = 1.0
    RECORDING = 'recording live'
    STOPPING = 'stopping'
    # The recorder's clock is told from so many bursts.
    CLOCK_BURSTS = 20
    SET_BACK_S = 60.0
    # Steps in which the flight is still being taken; after them it is read like any other.
    TAKEN = ['waiting for a worker', RECORDING, STOPPING].freeze
    DIGITS = { 'sink_fpm' => 0 }.freeze

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

    # Id of the exercise that was tapped last, or of the first.
    def exercise_now(sortie)
      id = HelpTaps.new(sortie.fly_events.reload.to_a).exercises.last&.last
      (sortie.exercises.find { |exercise| exercise.id == id } || sortie.exercise).id
    end

    def kept?(row) = RecordingRow.where(id: row.id).where('length(bytes) > 0').exists?

    def record(row, pace)
      @sortie = row.sortie
      @stream = Live::NmeaStream.new
      lesson = LessonSetting.new(@sortie)
      @exercises = lesson.exercises.to_h { |exercise| [exercise.id, exercise] }
      # Planned before the first sample, so that no reading waits for it.
      lesson.exercises.each(&:plan)
      @meant = exercise_now(@sortie)
      @monitor = Live::Monitor.new(@exercises.fetch(@meant))
      @watch = FlightWatcher.new(@sortie, row.id, @monitor, lesson)
      @watch.mean(@meant)
      @power_unit = power_unit(@sortie.aircraft.type)
      reason = follow(row, pace)
      return unless RecordingRow.exists?(row.id)

      keep(row)
      @watch.close
      hand_over(row, reason)
    ensure
      @watch&.close
    end

    # @return [String] why it ended
    def follow(row, pace)
      @unkept = String.new(encoding: Encoding::BINARY)
      @kept_at = now
      @behind = []
      RecorderLink.new(Settings.recorder_host, Settings.recorder_port).follow(@sortie, pace: pace) do |bytes|
        if bytes
          samples = @stream.take(bytes)
          @behind << (Time.now.to_f - samples.last['t_s']) if samples.any? && pace <= 1.0
          show(row, samples)
          @watch.take(samples)
          @unkept << bytes
        end
        now - @kept_at >= KEEP_EVERY_S ? keep(row) : nil
      end
    end

    # Of a burst only the last is news.
    def show(row, samples)
      reading = samples.map { |sample| @monitor.take(sample) }.last or return
      LiveFeed.publish(row.sortie_id, 'recording' => row.id, 'reading' => view(reading))
    end

    def power_unit(type) = Flight::Engine.new(type, Atmosphere.new).instrument_unit

    # What somebody tapped since.
    def mean_again
      id = exercise_now(@sortie)
      return if id == @meant

      @meant = id
      @watch.mean(id)
      @exercises[id]&.then { |exercise| @monitor.mean(exercise) }
    end

    def view(reading)
      { 't_s' => reading.t_s.round(3), 'exercise' => reading.exercise, 'phase' => reading.phase,
        'phase_s' => reading.phase_s&.round(1), 'box_s' => reading.box_s&.round, 'doubts' => @monitor.doubts,
        'power_unit' => @power_unit,
        'values' => reading.values.to_h { |name, value| [name, value.round(DIGITS.fetch(name, 1))] },
        'bands' => reading.bands.transform_values { |band| band.map { |edge| edge&.round(1) } },
        'gate' => reading.gate && gate(reading.gate) }
    end

    def gate(call)
      { 'call' => call.call, 'title' => call.title, 'height_ft' => call.height_ft.round,
        'seconds' => call.seconds&.round(1), 'reasons' => call.reasons, 'say' => call.say,
        'over' => call.over }
    end

    # Stores what arrived. @return [Symbol, nil] :stop when somebody asked for that, when it is too long, or when the
    # lesson is there no more (a demo that was thrown away)
    def keep(row)
      @kept_at = now
      mean_again
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
      step.nil? || step == STOPPING || size.to_i > Settings::MAX_UPLOAD_BYTES ? :stop : nil
    end

    # What arrived goes to the import, with the reason it ended.
    def hand_over(row, reason)
      unless kept?(row)
        return row.update!(status: 'failed', step: 'not recorded', error: Text.of('Nothing arrived: %{reason}.',
                                                                                  reason: reason))
      end

      digest = Digest::SHA256.hexdigest(RecordingRow.where(id: row.id).pick(:bytes))
      RecordingRow.transaction do
        row.update!(sha256: digest, status: 'waiting', clock_behind_s: clock_behind_s,
                    step: Text.of('%{reason}; what arrived is kept and waits to be read', reason: reason))
        ImportRecording.for(row)
      end
      LiveFeed.publish(row.sortie_id, 'recording' => row.id, 'ended' => reason)
    end

    # As it was until somebody set it back, if anybody did: what came after is laid behind that.
    def clock_behind_s
      same = @behind.take_while { |seconds| (seconds - @behind.first).abs < SET_BACK_S }
      same.size < CLOCK_BURSTS ? nil : Quantities.median(same)
    end

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
