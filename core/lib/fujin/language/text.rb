# frozen_string_literal: true

require 'i18n'
require 'json'

module Fujin
  # What a person reads, in the language of whoever asks. English stands in the code and in core/data; any other
  # language is a file in core/data/language that has each English text beside what it is there
  # (scripts/texts.rb writes it and keeps it whole). A text that a file does not have stays English.
  #
  # A sentence with something in it is put together by Text.of and Text.count, from named parts, so that a language may
  # put them in an order of its own. A text without parts is looked up where it leaves, by Text.told.
  module Text
    FOLDER = File.expand_path('../../../data/language', __dir__)
    ENGLISH = 'en'
    # Ids are words too: an answer's "solo" is a stage's id, whatever else is called so.
    ID = /\A[a-z0-9_]*\z/
    # Under these keys of an answer stands what people called, drew and wrote: it is told as they did.
    WRITTEN = %w[document go_reason mark name next_focus objective remark sign_in spot_name station surprise
                 void_reason withdrawn_reason].freeze
    PART = /%\{\w+\}/

    @tables = {}
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
        # What a person wrote may stand there whole, with whatever signs are in it.
        return table ? whole(message) : message if parts.empty?
        return I18n.interpolate(message, parts) unless table

        I18n.interpolate(whole(message), parts.transform_values { |part| part(part) })
      end

      # A sentence that hangs on how many there are, by the plural rules of the language.
      # @param number [Integer] also the part %{count}
      # @param one [String], @param other [String] English
      # @return [String]
      def count(number, one:, other:, **parts)
        forms = table && table[other]
        english = number == 1 ? one : other
        return of(english, count: number, **parts) unless forms.is_a?(Hash)

        message = forms.fetch(plural(number), forms.fetch('other'))
        I18n.interpolate(message, parts.transform_values { |part| part(part) }.merge(count: number))
      end

      # @param digits [String] a number as English writes it: '1,240', '51.5'
      # @return [String]
      def figure(digits)
        return digits unless table

        localized { digits.gsub(/[.,]/, '.' => mark(:decimal), ',' => mark(:group)) }
      end

      # Several texts in one line.
      # @param texts [Array<String>]
      # @return [String]
      def list(texts, mark = ', ') = texts.map { |text| of(text) }.join(mark)

      # Every text in what is about to be told, whole texts alone: what was put together is told already.
      # @param value [Object] of an answer: texts, lists, hashes, anything else
      # @return [Object]
      def told(value) = table ? within(value) : value

      # @param date [Date]
      # @return [String] '3 May 2027', '3 May'
      def day(date, year: true)
        return date.strftime(year ? '%-d %B %Y' : '%-d %B') unless table

        localized do
          told = date.localize(known)
          year ? told.to_long_s : told.to_additional_s('MMMMd')
        end
      end

      # @param language [String]
      # @param table [Hash{String => String, Hash}] English texts, and what they are there; by 'one', 'few', 'other' of
      #   those that hang on a number
      # @raise [ArgumentError] where a text has a part that its English does not give
      def learn(language, table)
        table.each do |english, told|
          unknown = Array(told.is_a?(Hash) ? told.values : told).flat_map { |text| text.scan(PART) }.uniq -
            [*english.scan(PART), *('%{count}' if told.is_a?(Hash))]
          next if unknown.empty?

          raise ArgumentError, "#{language}: #{english.inspect} has no #{unknown.join(', ')}"
        end
        @tables = @tables.merge(language => table.freeze)
      end

      private

      def table = @tables[language]

      def within(value)
        case value
        when String then ID.match?(value) ? value : whole(value)
        when Array then value.map { |one| within(one) }
        when Hash then value.to_h { |key, one| [key, WRITTEN.include?(key.to_s) ? one : within(one)] }
        else value
        end
      end

      # A title within a sentence, and a word at its beginning, are the same text in another case, unless the file has
      # both.
      def whole(text)
        return table[text] if table[text].is_a?(String)

        lower = text.match?(/\A\p{Lower}/)
        other = table[lower ? text.sub(/\A./, &:upcase) : text.sub(/\A./, &:downcase)]
        return text unless other.is_a?(String)

        lower ? other.sub(/\A\p{Upper}/, &:downcase) : other.sub(/\A\p{Lower}/, &:upcase)
      end

      def part(value)
        case value
        when String, Symbol then whole(value.to_s)
        when Float then figure(value.to_s)
        else value
        end
      end

      # Names of days, plural rules and decimal marks come from the CLDR; a language that it does not have is told as
      # English is.
      def known = TwitterCldr.supported_locale?(language) ? language.to_sym : :en
      def plural(number) = localized { TwitterCldr::Formatters::Plurals::Rules.rule_for(number, known).to_s }
      def mark(kind) = TwitterCldr::DataReaders::NumberDataReader.new(known).symbols.fetch(kind)

      # Read when the first other language is spoken.
      def localized
        require 'twitter_cldr'
        yield
      end
    end

    Dir[File.join(FOLDER, '*.json')].each { |file| learn(File.basename(file, '.json'), JSON.load_file(file)) }
  end
end
