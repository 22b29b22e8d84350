# frozen_string_literal: true

module Fujin
  # The scan strips of one attempt: each channel in bins with minimum and maximum kept, and the band of each phase.
  class Strips
    BEFORE_S = 12.0

    # @param held_back [Boolean] how long it was in its bands is not told yet
    def initialize(attempt, bins: 600, from_s: nil, to_s: nil, held_back: false)
      @attempt = attempt
      @recording = attempt.recording
      @sources = StripSources.new(@recording)
      @times = @sources.moments
      @from = from_s || [attempt.start_s - BEFORE_S, @times.first].max
      @to = to_s || attempt.end_s
      @bins = bins
      @held_back = held_back
    end

    # @return [Hash] the API's Strips
    def to_h
      {
        'from_s' => @from,
        'to_s' => @to,
        'bridged' => (@recording.summary['bridged'] || []).select { |a, b| b > @from && a < @to },
        'strips' => @sources.strips.map { |strip| strip(*strip) }
      }
    end

    private

    def strip(channel, label, digits, unit, _signal)
      values, unit, reason = @sources.of(channel, unit)
      bands = measures_of(channel).filter_map { |id, measure| band(measure['phase'], id, values) }
      {
        'channel' => channel,
        'label' => label,
        'unit' => unit,
        'digits' => digits,
        'reason' => reason,
        'bands' => bands,
        'points' => values ? binned(values, digits + 1) : []
      }
    end

    # Measures whose band is drawn behind a channel.
    def measures_of(channel) = @attempt.proposal['measures'].select { |id, _| Glossary.measure(id).strip == channel }

    def band(phase_id, measure_id, values)
      phase = @attempt.proposal['phases'].find { |p| p['id'] == phase_id }
      measure = @attempt.proposal['measures'][measure_id]
      return nil unless phase && measure && (measure['band_low'] || measure['band_high'])

      drawn = Glossary.measure(measure_id).strip_drawn
      low, high = drawn == 'power_on_band' ? power_on_band : measure.values_at('band_low', 'band_high')
      {
        'phase' => phase_id,
        'from_s' => phase['start_s'],
        'to_s' => phase['end_s'],
        'low' => low,
        'high' => high,
        'line' => drawn == 'line',
        # What is taken at one moment is not stayed in.
        'in_band_pct' => (share_in_band(values, phase, low, high) if values && !@held_back && drawn != 'line')
      }
    end

    def power_on_band = @attempt.sortie.aircraft.type.power_on_band

    def share_in_band(values, phase, low, high)
      inside = total = 0
      index_range(phase['start_s'], phase['end_s']).each do |i|
        next if values[i].nan?

        total += 1
        inside += 1 if (low.nil? || values[i] >= low) && (high.nil? || values[i] <= high)
      end
      total.zero? ? nil : (100.0 * inside / total).round
    end

    def index_range(from, to)
      first = @times.bsearch_index { |t| t >= from } || @times.size
      last = (@times.bsearch_index { |t| t > to } || @times.size) - 1
      first..last
    end

    # [time, minimum, maximum] of each bin; nil values where nothing was recorded.
    def binned(values, digits)
      range = index_range(@from, @to)
      per_bin = [(range.size / @bins.to_f).ceil, 1].max
      range.each_slice(per_bin).map do |indices|
        found = indices.map { |i| values[i] }.reject(&:nan?)
        [@times[indices[indices.size / 2]].round(2), found.min&.round(digits), found.max&.round(digits)]
      end
    end
  end
end
