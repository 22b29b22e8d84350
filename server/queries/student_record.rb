# frozen_string_literal: true

module Fujin
  # One student's whole record: standing, attempts, sorties, sign-offs, flight time.
  class StudentRecord
    def initialize(student)
      @student = student
      @progress = StudentProgress.new(student)
      @sorties =
        Sortie
          .where(student_id: student.id)
          .order(starts_at: :desc)
          .preload(:student, :instructor, :aircraft, :exercises, :fly_events)
          .to_a
      LightAttempts.preload(@sorties, @progress.rows)
      @sign_offs = SignOff.where(student_id: student.id).in_order.includes(:by, :student, :link, withdrawal: :by).to_a
    end

    def to_h
      {
        'id' => @student.id,
        'name' => @student.name,
        'stage' => @student.stage,
        'standings' => standings,
        'blocks' => blocks,
        'advice' => advice,
        'history' => history,
        'sorties' => @sorties.map { |s| Serialisers.sortie_row(s, SortieProgress.new(s)) },
        'sign_offs' => @sign_offs.map { |s| Serialisers.sign_off(s) },
        'log' => log,
        'reactions' => reactions
      }
    end

    private

    def live = @sign_offs.reject(&:withdrawal).map(&:manoeuvre)

    # In what the student flew last, a helicopter where nothing was flown yet.
    def advice
      kind = @sorties.empty? ? 'helicopter' : @sorties.first.aircraft.type.kind
      @progress
        .advice(kinds: [kind], signed: live, today: Time.now.utc.to_date)
        .map { |one| Serialisers.advice(one) }
    end

    # Those that are begun, or that a sign-off of what the student flies waits for.
    def blocks
      flown = @progress.manoeuvres
      @progress.blocks.select { |one| one.begun? || one.block.needed_for.intersect?(flown) }
        .map { |one| Serialisers.block(one) }
    end

    def standings
      @progress.manoeuvres.map { |id| Serialisers.standing(@progress, id, signed_off: live.include?(id)) }
    end

    def history
      @progress.graded.map do |row, attempt|
        {
          'attempt_id' => row.id,
          'sortie_id' => row.sortie_id,
          'manoeuvre' => row.manoeuvre,
          'on_day' => attempt.on_day.iso8601,
          'position' => row.position + 1,
          'level' => attempt.level,
          'grades' => attempt.grades.compact,
          'help' => attempt.help,
          'counts' => attempt.counts,
          'critical' => attempt.critical
        }
      end
    end

    # Announced against surprise: the middle of each, demonstrations left out.
    def reactions
      Grading::PartTask::MANNERS
        .first(2)
        .filter_map do |manner|
          rows = @sorties.flat_map(&:attempts).select { |row| row.counts && row.manner == manner }
          values = rows.filter_map { |row| row.counted('collective_delay_s') }
          if values.empty?
            nil
          else
            {
              'manner' => manner,
              'median_s' => Serialisers.number(Quantities.median(values), 2),
              'attempts' => values.size
            }
          end
        end
    end

    def log
      flown = @sorties.select(&:flight_minutes)
      {
        'total_minutes' => flown.sum(&:flight_minutes),
        'entries' =>
          flown.map do |s|
            {
              'sortie_id' => s.id,
              'on_day' => s.starts_at.to_date.iso8601,
              'minutes' => s.flight_minutes,
              'aircraft' => s.aircraft.mark,
              'role' => s.people_aboard
            }
          end
      }
    end
  end
end
