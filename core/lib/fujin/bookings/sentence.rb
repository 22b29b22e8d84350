# frozen_string_literal: true

module Fujin
  module Bookings
    # A booking said in a sentence: 'oda with corwin in Q-TANA tomorrow 14:00 for 1 h 30'. Names are known by any part
    # of them that only one has; what is not understood is said, not guessed.
    class Sentence
      DAYS = %w[sunday monday tuesday wednesday thursday friday saturday].freeze
      TIME = /\A(?:at)?(\d{1,2})[:.h]?(\d{2})?(am|pm)?\z/
      LENGTH_WORDS = { 'hour' => 60, 'hours' => 60, 'h' => 60, 'min' => 1, 'minutes' => 1, 'mins' => 1 }.freeze
      FILLERS = %w[book with in on at for and the a lesson flight of to from until].freeze
      USUAL_MIN = 60

      # @param people [Hash{String => String}] id by name, of everybody who can be booked
      # @param instructors [Array<String>] ids of those who teach
      # @param aircraft [Hash{String => String}] id by mark
      # @param today [Date]
      def initialize(text, people:, instructors:, aircraft:, today:)
        @words = text.downcase.gsub(/(\d)\s*h\s*(\d)/, '\1h\2').tr(',', ' ').split
        @people = people
        @instructors = instructors
        @aircraft = aircraft
        @today = today
        @found = { kind: 'dual', day: today, minutes: USUAL_MIN }
        @left = []
        read
      end

      # kind, student, instructor, aircraft (ids), day [Date], hour, minute, minutes
      # @return [Hash{Symbol => Object}] only what was said, or is usual
      attr_reader :found

      # @return [Array<String>] words that mean nothing here, or more than one thing
      attr_reader :left

      private

      def read
        words = @words.dup
        until words.empty?
          word = words.shift
          next if FILLERS.include?(word)

          kind(word) || day(word) || length(word, words) || time(word) || craft(word) || person(word) || (@left << word)
        end
      end

      def kind(word)
        @found[:kind] = word if %w[dual solo check].include?(word)
      end

      def day(word)
        ahead = { 'today' => 0, 'tomorrow' => 1 }[word]
        named = DAYS.index { |name| name == word || (word.length >= 3 && name.start_with?(word)) }
        ahead ||= ((named - @today.wday) % 7).then { |days| days.zero? ? 7 : days } if named
        return @found[:day] = @today + ahead if ahead
        return nil unless word.match?(/\A\d{4}-\d{2}-\d{2}\z/)

        @found[:day] = Date.iso8601(word)
      rescue Date::Error
        nil
      end

      # '1h30', '90min', '90 min', '1.5 hours'
      def length(word, words)
        whole = word.match(/\A(\d+)h(\d{1,2})\z/)
        return @found[:minutes] = (whole[1].to_i * 60) + whole[2].to_i if whole && @found[:hour]

        match = word.match(/\A(\d+(?:\.\d+)?)(h|hours?|min|mins|minutes)?\z/) or return nil
        unit = match[2] || (LENGTH_WORDS.key?(words.first) ? words.shift : nil)
        unit && @found[:minutes] = (Float(match[1]) * LENGTH_WORDS.fetch(unit)).round
      end

      def time(word)
        match = word.match(TIME) or return nil
        hour = match[1].to_i + (match[3] == 'pm' && match[1].to_i < 12 ? 12 : 0)
        minute = match[2].to_i
        return nil unless hour < 24 && minute < 60

        @found.merge!(hour: hour, minute: minute)
      end

      def craft(word)
        marks = @aircraft.keys.select do |mark|
          plain(mark) == plain(word) || (word.length >= 3 && plain(mark).end_with?(plain(word)))
        end
        @found[:aircraft] = @aircraft.fetch(marks.first) if marks.size == 1
      end

      def person(word)
        names = @people.keys.select do |name|
          name.downcase.split.any? do |part|
            part.start_with?(word)
          end && word.length >= 2
        end
        return nil unless names.size == 1

        id = @people.fetch(names.first)
        @found[@instructors.include?(id) ? :instructor : :student] = id
      end

      def plain(text) = text.downcase.gsub(/[^a-z0-9]/, '')
    end
  end
end
