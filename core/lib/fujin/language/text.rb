# frozen_string_literal: true

require 'i18n'
require 'json'

module Fujin
  # What a person reads, in the language of whoever asks. English stands in the code and in core/data; any other
  # language is a file, core/data/language/LANGUAGE.json, that has each English text beside what it is there
  # (scripts/words.rb writes it and keeps it whole). A text that a file does not have stays English.
  #
  # A sentence with something in it is put together by Text.of and Text.count, from named parts, so that a language may
  # put them in an order of its own. A text without parts is looked up where it leaves, by Text.told.
  module Text
    FOLDER = File.expand_path('../../../data/language', __dir__)
    ENGLISH = 'en'
    # Ids are words too: an answer's "solo" is a stage's id, whatever else is called so.
    ID = /\A[a-z0-9_]*\z/

    @tables = Dir[File.join(FOLDER, '*.json')].to_h { |file| [File.basename(file, '.json'), JSON.load_file(file)] }

    @usual = ENGLISH

    class << self
      # That of whatever is written down or told to nobody in particular.
      # @return [String]
      attr_reader :usual

      # @raise [UnknownName]
      def usual=(language)
        raise UnknownName, "no language #{language}: use #{languages.join(', ')}" unless languages.include?(language)

        @usual = language
      end

      # @return [Array<String>] 'en' and the languages that have a file
      def languages = [ENGLISH, *@tables.keys]

      # @return [String] that in which texts are put together now
      def language = Thread.current[:fujin_language] || @usual

      # @param language [String, nil] one of #languages; nil is the usual one
      def in(language)
        before = Thread.current[:fujin_language]
        Thread.current[:fujin_language] = language
        yield
      ensure
        Thread.current[:fujin_language] = before
      end

      # @param message [String] English, its parts as %{names}
      # @param parts [Hash{Symbol => Object}] texts among them are told in the language, numbers with its decimal mark
      # @return [String]
      def of(message, **parts)
        return I18n.interpolate(message, parts) unless table

        I18n.interpolate(table.fetch(message, message), parts.transform_values { |part| part(part) })
      end

      # A sentence that hangs on how many there are, by the plural rules of the language.
      # @param number [Integer] also the part %{count}
      # @param one [String], @param other [String] English
      # @return [String]
      def count(number, one:, other:, **parts)
        forms = table ? table.fetch(other, {}) : {}
        english = number == 1 ? one : other
        message = forms.empty? ? english : forms.fetch(plural(number), forms.fetch('other'))
        I18n.interpolate(message, parts.transform_values { |part| part(part) }.merge(count: part(number)))
      end

      # Every text in what is about to be told, whole texts alone: what was put together is told already.
      # @param value [Object] of an answer: texts, lists, hashes, anything else
      # @return [Object]
      def told(value)
        table ? within(value) : value
      end

      # @param date [Date]
      # @return [String] '3 May 2027', '3 May'
      def day(date, year: true)
        return date.strftime(year ? '%-d %B %Y' : '%-d %B') unless table

        localized do
          told = date.localize(known)
          year ? told.to_long_s : told.to_additional_s('MMMMd')
        end
      end

      # @param language [String], @param table [Hash{String => String}] for tests
      def learn(language, table) = @tables = @tables.merge(language => table)

      private

      def table = @tables[language]

      def within(value)
        case value
        when String then ID.match?(value) ? value : whole(value)
        when Array then value.map { |one| within(one) }
        when Hash then value.transform_values { |one| within(one) }
        else value
        end
      end

      def whole(text)
        found = table[text]
        found.is_a?(String) ? found : text
      end

      def part(value)
        case value
        when String then whole(value)
        when Float then localized { value.to_s.sub('.', mark) }
        else value
        end
      end

      # Names of days, plural rules and decimal marks come from the CLDR; a language that it does not have is told as
      # English is.
      def known = TwitterCldr.supported_locale?(language) ? language.to_sym : :en
      def plural(number) = localized { TwitterCldr::Formatters::Plurals::Rules.rule_for(number, known).to_s }
      def mark = TwitterCldr::DataReaders::NumberDataReader.new(known).symbols.fetch(:decimal)

      # Read when the first other language is spoken.
      def localized
        require 'twitter_cldr'
        yield
      end
    end
  end
end
