# frozen_string_literal: true

module Fujin
  # A TAF: what is expected when, read from the coded text.
  # Source: World Meteorological Organization, Manual on Codes (WMO-No. 306), FM 51 TAF.
  class Forecast
    # Not a forecast; the message says what was found.
    class Unreadable < Error; end

    # One stretch of it. `how` is 'expected', 'at times' (TEMPO, INTER), 'perhaps' (PROB) or 'changing to' (BECMG).
    # What a stretch does not name is nil.
    Stretch = Value.define(:from, :to, :how, :wind, :visibility_m, :cloud_base_ft)

    HEAD = %r{\A\s*TAF\s+(?:AMD\s+|COR\s+)*([A-Z]{4})\s+(\d{6})Z\s+(\d{4})/(\d{4})\s+(.*)\z}m
    CHANGE = /\A(FM\d{6}|BECMG|TEMPO|INTER|PROB(?:30|40))\z/
    WIND = /\A(\d{3}|VRB)(\d{2,3})(?:G(\d{2,3}))?(KT|MPS|KMH)\z/
    VISIBILITY = /\A(\d{4})(?:NDV)?\z/
    CLOUD = /\A(?:BKN|OVC|VV)(\d{3})/
    PER_KT = { 'KT' => 1.0, 'MPS' => 0.514444, 'KMH' => 1.852 }.freeze
    # 9999 is 10 km or more.
    UNLIMITED_M = 10_000

    attr_reader :station, :stretches, :from, :to

    # @param text [String] a TAF, its end mark or not
    # @param now [Time] near it: the code has days of the month only
    # @raise [Unreadable]
    def initialize(text, now)
      match = text.to_s.sub(/=\s*\z/, '').match(HEAD)
      unless match
        raise Unreadable, Text.of('the station sent something that is no forecast: %{text}',
                                  text: text.to_s.strip[0, 60].inspect)
      end

      @now = now
      @station = match[1]
      @from, @to = match[3, 2].map { |code| hour(code) }
      @stretches = read(match[5].split).freeze
      freeze
    end

    # What is to be reckoned with in a stretch of time: the base as changed by then, and what may come over it.
    # @return [Array<Stretch>] none when the forecast does not reach so far
    def during(from, to)
      return [] unless from >= @from && to <= @to

      stretches.select { |one| one.from < to && from < one.to }
    end

    private

    # 'DDHH' near now; hour 24 is the next day's midnight.
    def hour(code, minute = 0)
      day = code[0, 2].to_i
      hours = code[2, 2].to_i
      month = [@now, @now - (20 * 86_400), @now + (20 * 86_400)]
        .map { |time| [time.year, time.month] }
        .select { |year, number| Date.valid_date?(year, number, day) }
        .min_by { |year, number| (Time.utc(year, number, day) - @now).abs }
      unless month && hours <= 24
        raise Unreadable, Text.of('the forecast names a day that does not exist: %{code}', code: code)
      end

      Time.utc(*month, day) + (hours * 3600) + (minute * 60)
    end

    # The groups of one stretch after another; a lasting change ends what it changes.
    def read(words)
      base = { from: @from, to: @to, how: 'expected', words: [] }
      parts = [base]
      until words.empty?
        word = words.shift
        CHANGE.match?(word) ? parts << change(word, words) : parts.last[:words] << word
      end
      lasting(parts)
    end

    def change(word, words)
      return { from: hour(word[2, 4], word[6, 2].to_i), to: @to, how: 'expected', words: [], whole: true } if
        word.start_with?('FM')

      words.shift if word.start_with?('PROB') && %w[TEMPO INTER].include?(words.first)
      span = words.shift.to_s
      unless span.match?(%r{\A\d{4}/\d{4}\z})
        raise Unreadable, Text.of('the forecast has no times after %{word}', word: word)
      end

      from, to = span.split('/').map { |code| hour(code) }
      { from: from, to: to, how: { 'B' => 'changing to', 'P' => 'perhaps' }.fetch(word[0], 'at times'), words: [] }
    end

    # FM replaces everything from then on; BECMG changes what it names, from its end on for good.
    def lasting(parts)
      now = nil
      out = []
      parts.each do |part|
        seen = stretch(part)
        if part[:how] == 'expected'
          now = close(out, now, part[:from]) if now
          out << (now = seen)
        elsif part[:how] == 'changing to'
          out << seen
          after = now.to_h.merge(seen.to_h.slice(:wind, :visibility_m, :cloud_base_ft).compact)
          close(out, now, part[:to])
          out << (now = Stretch.new(**after, from: part[:to], to: @to))
        else
          out << seen
        end
      end
      out.select { |one| one.from < one.to }.sort_by(&:from)
    end

    # What stands until a change begins to hold.
    def close(out, stretch, at)
      index = out.index { |one| one.equal?(stretch) }
      out[index] = stretch.with(to: at)
      nil
    end

    def stretch(part)
      Stretch.new(from: part[:from], to: part[:to], how: part[:how], wind: wind(part[:words]),
                  visibility_m: visibility(part[:words]), cloud_base_ft: base(part[:words]))
    end

    # A wind from anywhere has no direction.
    # @return [Hash, nil] from_deg, kt, gust_kt
    def wind(words)
      from, speed, gust, unit = words.filter_map { |word| word.match(WIND)&.captures }.first
      return nil unless speed

      kt = ->(value) { value && (value.to_i / PER_KT.fetch(unit)).round }
      { from_deg: from == 'VRB' ? nil : from.to_i % 360, kt: kt.call(speed), gust_kt: kt.call(gust) }.freeze
    end

    def visibility(words)
      return UNLIMITED_M if words.include?('CAVOK')

      metres = words.filter_map { |word| word[VISIBILITY, 1]&.to_i }.first
      metres == 9999 ? UNLIMITED_M : metres
    end

    # Of the lowest broken or overcast layer, or into which one can be seen upwards.
    def base(words) = words.filter_map { |word| word[CLOUD, 1]&.to_i&.*(100) }.min
  end
end
