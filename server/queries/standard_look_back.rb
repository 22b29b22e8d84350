# frozen_string_literal: true

module Fujin
  # What another row of a standard would have made of the last ninety days: how many attempts would have been to
  # standard in that measure that were not, and the other way round. Grades stay as they are.
  class StandardLookBack
    DAYS = 90
    SHOWN = 20

    # @param values [Array<Float>] early, solo, test, instructor
    # @param now [Time]
    def initialize(manoeuvre, measure, values, now:)
      @manoeuvre = manoeuvre
      @measure = measure
      @now = now
      @values = values
      StandardBook.row(manoeuvre, measure, on: school.day_of(now)).with(values)
    end

    def to_h
      found = attempts.filter_map { |attempt| turned(attempt) }
      changed = found.reject { |entry| entry['before'] == entry['after'] }
      {
        'days' => DAYS,
        'attempts' => found.size,
        'to_standard_before' => found.count { |entry| entry['before'] },
        'to_standard_after' => found.count { |entry| entry['after'] },
        'changed' => changed.first(SHOWN)
      }
    end

    private

    def school = @school ||= School.current

    def attempts =
      AttemptRow
        .joins(:sortie)
        .where(manoeuvre: @manoeuvre, counts: true, sorties: { starts_at: (@now - (DAYS * 86_400))..@now })
        .preload(sortie: :student)
        .order('sorties.starts_at DESC')

    # Nil where it was not judged in it, or by a standard that is not the school's of that day.
    def turned(attempt)
      measure = attempt.proposal.dig('measures', @measure)
      after = moved(attempt, measure) if measure && measure['value'] && measure.key?('target')
      return nil unless after

      {
        'attempt_id' => attempt.id,
        'sortie_id' => attempt.sortie_id,
        'student' => attempt.sortie.student.name,
        'on' => attempt.sortie.day(school).iso8601,
        'value' => measure['value'],
        'before' => within?(measure, measure['band_low'], measure['band_high']),
        'after' => within?(measure, *after)
      }
    end

    # What its band would be with the other numbers.
    def moved(attempt, measure)
      standard = standard_on(attempt.sortie.day(school))
      return nil unless standard.version == attempt.proposal['standard_version']

      row = Grading::StandardRow.new(standard.rules.fetch(@measure))
      stage = Grading::Standard::STAGES.index(attempt.sortie.stage)
      row.moved(measure.values_at('band_low', 'band_high'), measure['target'], from: row.values[stage],
                                                                               to: @values[stage])
    end

    def standard_on(date) = (@standards ||= {})[date] ||= StandardBook.standard(@manoeuvre, on: date)

    # To standard where anything that the recording leaves open lies within.
    def within?(measure, low, high)
      least = measure['low'] || measure['value']
      most = measure['high'] || measure['value']
      (low.nil? || most >= low - 1e-9) && (high.nil? || least <= high + 1e-9)
    end
  end
end
