# frozen_string_literal: true

module Fujin
  # What a lesson adds to its student's record, worked out from its rows: how far it came through its four stages, and
  # its attempts as the core counts them.
  class LessonOutcome
    # In a fixed number of queries.
    # @param scope [ActiveRecord::Relation] of sorties
    # @return [Array<LessonOutcome>] in order of time
    def self.of(scope)
      sorties = scope.order(:starts_at).preload(:student, :exercises, :fly_events).to_a
      LightAttempts.preload(sorties)
      taught = sorties.select(&:teaching?).flat_map { |sortie| sortie.attempts.to_a }
      AttemptRow.belonging(taught, :fault_calls)
      recordings = RecordingRow.where(sortie_id: sorties).pluck(:sortie_id, :status).group_by(&:first)
      school = School.current
      sorties.map { |sortie| new(sortie, recordings.fetch(sortie.id, []).map(&:last), sortie.day(school)) }
    end

    attr_reader :sortie

    # @param sortie [Sortie] with light attempts
    # @param recordings [Array<String>] the status of each of its recordings
    # @param on_day [Date] by the school's clock
    def initialize(sortie, recordings, on_day)
      @sortie = sortie
      @on_day = on_day
      @recordings = recordings
      @taps = HelpTaps.new(sortie.fly_events.to_a)
    end

    # @return [Array<KeptAttempt>] those asked for or graded all the same; where nothing was recorded, the tapped ones
    def attempts
      return TappedAttempts.new(@sortie, @taps, @on_day).to_a.map { |graded| flown(graded) } if @recordings.empty?

      @sortie.attempts.filter_map do |row|
        graded = graded_attempt(row)
        next unless row.asked? || graded.level

        flown(graded, answered: row.answered?, **row.slice(:id, :position, :counts, :manner).symbolize_keys)
      end
    end

    # @return [Hash{Symbol => Object}] what LessonRecord keeps of it
    def kept = { progress: LessonProgress.of(progress).to_h, attempts: attempts.map(&:kept) }

    private

    def progress = SortieProgress.new(@sortie, ready: @recordings.include?('ready'))

    # What was only tapped is nobody's to grade themselves.
    def flown(graded, id: nil, position: nil, counts: false, manner: nil, answered: true) =
      KeptAttempt.new(id: id, sortie_id: @sortie.id, position: position, counts: counts, manner: manner,
                      answered: answered, graded: graded)

    def graded_attempt(row)
      number = row.tap_no || number_in_sortie(row)
      done = row.counts && row.told['result'] == 'completed'
      Progress::GradedAttempt.new(
        manoeuvre: row.manoeuvre,
        flown_at: @sortie.starts_at.to_f + row.position,
        on_day: @on_day,
        grades: decided(row),
        help: @taps.help(number),
        counts: done && row.whole?,
        critical: row.judged['critical'],
        stage: @sortie.stage,
        trainer: @sortie.training_device,
        done: done && row.manner != 'demonstration' && !@sortie.teaching?,
        controls: row.task == 'whole' ? @taps.controls(number) : 'one',
        settings: row.exercise&.own_settings || {},
        measures: AttemptRow::COUNTED.to_h { |measure| [measure, row.counted(measure)] }
      )
    end

    # Which the taps go by where an attempt was not laid beside one.
    def number_in_sortie(row) = @sortie.attempts.sort_by { |a| [a.created_at, a.position] }.index(row) + 1

    # The instructor's last word on each phase of the attempt, nil on one that nobody graded; the whole attempt is not
    # graded until every proposed phase is.
    def decided(row)
      last = row.given('instructor')
      return {} unless (row.proposed_phases - last.keys).empty?

      row.told['phases'].to_h { |phase| [phase['id'], last[phase['id']]] }
    end
  end
end
