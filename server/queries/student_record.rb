# frozen_string_literal: true

module Fujin
  # One student's whole record: standing, attempts, sorties, sign-offs, flight time.
  class StudentRecord
    # @param viewer [Person]
    def initialize(student, viewer)
      @student = student
      @shown = ShownProgress.new(student, viewer)
      @far = @shown.lessons.to_h { |row| [row.sortie_id, row.progress] }
      @attempts = @shown.attempts
      @progress = @shown.progress
      @sorties =
        Sortie
          .where(student_id: student.id)
          .order(starts_at: :desc)
          .with_crew.preload(:exercises)
          .map { |sortie| sortie.seen_by(viewer) }
      @sign_offs = SignOff.where(student_id: student.id).in_order.eager_load(:by, :student, :link, withdrawal: :by).to_a
    end

    def to_h
      {
        'id' => @student.id,
        'name' => @student.name,
        'stage' => @student.stage,
        'standings' => @shown.standings(live),
        'blocks' => blocks,
        'advice' => advice,
        'history' => history,
        'sorties' => Serialisers.sortie_rows(@sorties, @far),
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
      @shown.blocks.select { |one| one.begun? || one.block.needed_for.intersect?(flown) }
        .map { |one| Serialisers.block(one) }
    end

    def history
      @progress.flown.map do |one|
        {
          'attempt_id' => one.id,
          'sortie_id' => one.sortie_id,
          'manoeuvre' => one.manoeuvre,
          'on_day' => one.graded.on_day.iso8601,
          'position' => one.position + 1,
          'level' => one.graded.level,
          'grades' => one.graded.grades.compact,
          'help' => one.graded.help,
          'counts' => one.graded.counts,
          'critical' => one.graded.critical
        }
      end
    end

    # Announced against surprise: the middle of each, demonstrations left out.
    def reactions
      Grading::PartTask::MANNERS
        .first(2)
        .filter_map do |manner|
          flown = @attempts.select { |one| one.counts && one.manner == manner }
          values = flown.filter_map { |one| one.graded.measures['collective_delay_s'] }
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
        'total_minutes' => flown.reject(&:training_device).sum(&:flight_minutes),
        'entries' =>
          flown.map do |s|
            {
              'sortie_id' => s.id,
              'on_day' => s.starts_at.to_date.iso8601,
              'minutes' => s.flight_minutes,
              'aircraft' => s.aircraft.mark,
              'role' => s.training_device ? 'training_device' : s.people_aboard
            }
          end
      }
    end
  end
end
