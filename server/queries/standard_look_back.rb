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
      @row = StandardBook.row(manoeuvre, measure, on: now.to_date)
      @rule = StandardBook.standard(manoeuvre, on: now.to_date).rules.fetch(measure)
      @row.with(values)
      @values = values
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

    def attempts =
      AttemptRow
        .joins(:sortie)
        .where(manoeuvre: @manoeuvre, counts: true, sorties: { starts_at: (@now - (DAYS * 86_400))..@now })
        .preload(sortie: :student)
        .order('sorties.starts_at DESC')

    def turned(attempt)
      measure = attempt.proposal.dig('measures', @measure)
      stage = Grading::Standard::STAGES.index(attempt.sortie.stage)
      return nil unless stage && measure && measure['value'] && %w[polished in marginal
                                                                   out].include?(measure['verdict'])

      {
        'attempt_id' => attempt.id,
        'sortie_id' => attempt.sortie_id,
        'student' => attempt.sortie.student.name,
        'on' => attempt.sortie.starts_at.to_date.iso8601,
        'value' => measure['value'],
        'before' => within?(measure, measure['band_low'], measure['band_high']),
        'after' => within?(measure, *moved(measure, stage))
      }
    end

    # To standard where anything that the recording leaves open lies within.
    def within?(measure, low, high)
      least = measure['low'] || measure['value']
      most = measure['high'] || measure['value']
      (low.nil? || most >= low - 1e-9) && (high.nil? || least <= high + 1e-9)
    end

    # The band that was, with its width or its limit as many times as wide, or so much further out.
    def moved(measure, stage)
      low, high = measure.values_at('band_low', 'band_high')
      before = @row.values[stage]
      after = @values[stage]
      target = measure['target']
      if %w[around percent_of].include?(@rule['rule'])
        share = after / before
        return [low && (target - ((target - low) * share)), high && (target + ((high - target) * share))]
      end

      limit = @row.multiple? ? ->(v) { v * after / before } : ->(v) { v + after - before }
      @rule['rule'] == 'at_least' ? [limit.call(low), high] : [low, limit.call(high)]
    end
  end
end
