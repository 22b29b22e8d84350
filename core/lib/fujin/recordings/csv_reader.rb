# frozen_string_literal: true

require 'csv'
require 'time'

module Fujin
  module Recordings
    # Reads the recording format: CSV, UTF-8, one header row, rising `t_s` (or `utc`), any subset of Channels; or a
    # device's own headings where a person has said what they mean. Cells stand between commas, semicolons (then with
    # decimal commas) or tabs. What cannot be used is dropped and said in the notes; what is no recording is refused
    # with the line.
    class CsvReader
      MAX_ROWS = 600_000
      MAX_CELL_NOTES = 5
      BLANK = Float::NAN
      # Text of two bytes a letter says so in its first two.
      WIDE = { "\xFF\xFE".b => Encoding::UTF_16LE, "\xFE\xFF".b => Encoding::UTF_16BE }.freeze

      # @param bytes [String] the file as it came
      # @param name [String] its name, for messages
      # @param headings [Headings, nil] of the device
      # @yield [rows_read] now and then, for progress
      # @return [Recording]
      # @raise [UnreadableRecording], [UnknownHeadings]
      def self.read(bytes, name: 'recording', headings: nil, &progress) = new(bytes, name, progress, headings).read

      # @return [Array<String>, nil] the titles of a file's first line, nil when it is no text
      def self.titles(bytes)
        new(bytes, 'recording', nil, nil).titles
      rescue UnreadableRecording
        nil
      end

      def initialize(bytes, name, progress, headings)
        @name = name
        @headings = headings
        @progress = progress
        @notes = []
        @bad_cells = 0
        @lines = decode(bytes)
      end

      def read
        header = @headings ? told_header : read_header
        @columns = header.each_with_index.select { |title, _| Channels::NUMERIC.include?(title) && title != 't_s' }
        @time_index = header.index('t_s')
        @utc_index = header.index('utc')
        unless @time_index || @utc_index
          ask(header, 'has no time column: expected t_s (seconds) or utc in the header row')
        end

        collect(header)
        refuse('holds fewer than two usable rows', @lines.size) if @times.size < 2
        say_bad_cells
        bridged = Gaps.bridge(@times, @values, @notes)
        Recording.new(
          name: @name,
          times: @times.freeze,
          channels: @values.each_value(&:freeze).freeze,
          notes: @notes.freeze,
          bridged: bridged.freeze,
          ignored_columns: (header - Channels::RANGES.keys).freeze,
          clock_s: @clock_s
        )
      end

      def titles = cells(@lines.first).map { |title| title.to_s.strip }

      private

      def narrow(bytes)
        wide = WIDE[bytes.byteslice(0, 2).to_s.b] or return bytes
        bytes.byteslice(2..).force_encoding(wide).encode(Encoding::UTF_8)
      rescue EncodingError
        refuse('is text of two bytes a letter, and damaged', nil)
      end

      def decode(bytes)
        text = narrow(bytes).dup.force_encoding(Encoding::UTF_8)
        text = text.byteslice(3..) if text.start_with?("\uFEFF")
        refuse('is empty', 1) if text.strip.empty?
        refuse('is no text file: it holds NUL bytes', nil) if text.include?("\0")
        unless text.valid_encoding?
          line = text.each_line.find_index { |l| !l.valid_encoding? }
          refuse('is not UTF-8 text', line && (line + 1))
        end
        @ends_open = !text.end_with?("\n", "\r")
        lines = text.split(/\r\n|\n|\r/)
        @separator = [',', ';', "\t"].max_by { |mark| lines.first.to_s.count(mark) }
        if lines.size - 1 > MAX_ROWS
          refuse(Text.of('has %{lines} rows; at most %{max_rows} are read. Split the file',
                         lines: lines.size - 1, max_rows: MAX_ROWS), nil)
        end
        lines
      rescue ArgumentError
        refuse('is not UTF-8 text', nil)
      end

      def read_header
        titles = self.titles.map(&:downcase)
        known = titles & Channels::RANGES.keys
        if known.empty?
          ask(
            titles,
            Text.of('has no known column in its header row (%{titles}…). Expected headings such as t_s, ias_kt, ' \
              'nr_pct',
                    titles: titles.first(3).join(', '))
          )
        end
        doubled = known.find { |title| titles.count(title) > 1 }
        refuse(Text.of('has the column %{doubled} twice', doubled: doubled), 1) if doubled
        titles
      end

      # The header row in the recording format's words; what nobody spoke of keeps its own.
      def told_header
        @told = titles.map { |title| @headings[title.downcase] }
        titles.each_with_index.map { |title, i| @told[i]&.channel || "(#{title})" }
      end

      # Somebody may be able to say what the headings mean, if the rows beneath look like a table of numbers.
      def ask(titles, reason)
        example = cells(@lines[1].to_s)
        numbers = example.count { |cell| Float(cell.to_s.tr(',', '.'), exception: false) }
        refuse(reason, 1) unless titles.size > 2 && @lines.size > 3 && numbers * 2 >= titles.size

        raise UnknownHeadings.new(
          Text.of('%{name} %{reason} (line 1). Say what its headings mean, once for this device. Nothing was changed.',
                  name: @name, reason: reason),
          headings: self.titles,
          example: example
        )
      end

      def cells(line)
        line.include?('"') ? (CSV.parse_line(line, col_sep: @separator) || []) : line.split(@separator, -1)
      rescue CSV::MalformedCSVError
        []
      end

      def collect(header)
        @times = []
        @values = @columns.to_h { |title, _| [title, []] }
        sinks =
          @columns.map do |title, index|
            [index, @values[title], *Channels::RANGES[title], title, @told && @told[index]]
          end
        last = nil
        disordered = 0
        @lines.each_with_index do |line, number|
          next if number.zero? || line.empty?

          @progress&.call(number) if (number % 5000).zero?
          row = cells(line)
          next if short_last_line?(row, header, number)

          time = row_time(row, number)
          next unless time

          if last && time <= last
            disordered += 1
            next
          end
          last = time
          @clock_s ||= clock(row, time)
          @times << time
          sinks.each do |index, values, low, high, title, told|
            values << number_in(row[index], low, high, number, title, told)
          end
        end
        if disordered.positive?
          @notes << Text.of('%{disordered} rows whose time did not move on were left out', disordered: disordered)
        end
        @values.reject! { |_, values| values.all?(&:nan?) }
      end

      def short_last_line?(row, header, number)
        return false unless number == @lines.size - 1 && @ends_open && row.size < header.size

        @notes << Text.of('the last line (%{number}) is cut short and was left out', number: number + 1)
        true
      end

      def row_time(row, number)
        if @time_index
          time = Float(plain(row[@time_index]) || '', exception: false)
          return @told ? @told[@time_index].value(time) : time if time&.finite?
        elsif row[@utc_index]
          return utc(row[@utc_index])
        end
        note_cell(number, @time_index ? 't_s' : 'utc', row[@time_index || @utc_index])
        nil
      rescue ArgumentError
        note_cell(number, 'utc', row[@utc_index])
        nil
      end

      # Seconds since 1970; without a zone it is taken as UTC.
      # @raise [ArgumentError]
      def utc(text) = Time.iso8601(text.strip.sub(' ', 'T').sub(/(?<![Z\d:][+-]\d\d:\d\d)(?<!Z)\z/, 'Z')).to_r.to_f

      # Seconds since 1970 at time 0, where the row says both.
      def clock(row, time)
        return nil unless @utc_index && row[@utc_index]

        @time_index ? utc(row[@utc_index]) - time : 0.0
      rescue ArgumentError
        nil
      end

      # With semicolons between cells a comma is the decimal mark.
      def plain(cell) = @separator == ';' ? cell&.tr(',', '.') : cell

      def number_in(cell, low, high, line, title, told)
        return BLANK if cell.nil? || cell.empty?

        value = Float(plain(cell), exception: false)
        value = told.value(value) if value && told
        return value if value && value >= low && value <= high

        note_cell(line, title, cell) unless cell.strip.empty?
        BLANK
      end

      def note_cell(line, title, cell)
        @bad_cells += 1
        return if @bad_cells > MAX_CELL_NOTES

        @notes << Text.of('line %{line}, column %{title}: %{cell} is no usable value and counts as a gap',
                          line: line + 1, title: title,
                          cell: cell.to_s[0,
                                          20].inspect)
      end

      def say_bad_cells
        return unless @bad_cells > MAX_CELL_NOTES

        @notes << Text.of('and %{bad_cells} more cells without a usable value', bad_cells: @bad_cells - MAX_CELL_NOTES)
      end

      def refuse(reason, line)
        place = line ? Text.of(' (line %{line})', line: line) : ''
        raise UnreadableRecording.new(Text.of('%{name} %{reason}%{place}. Nothing was changed.',
                                              name: @name, reason: reason, place: place), line: line)
      end
    end
  end
end
