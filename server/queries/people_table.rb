# frozen_string_literal: true

require 'csv'

module Fujin
  # People as a table, out and in. Read first, stored only when every line can be; a line whose sign-in name is known
  # changes that person, others are added.
  class PeopleTable
    HEADINGS = %w[sign_in name role stage mass_kg email].freeze
    NEEDED = %w[sign_in name role mass_kg].freeze
    MASS_KG = (30.0..200.0)
    MOST = 1000

    # @return [String] CSV (RFC 4180)
    def self.write(people)
      CSV.generate do |csv|
        csv << HEADINGS
        people.each { |person| csv << HEADINGS.map { |name| TableCell.plain(person[name]) } }
      end
    end

    # What would happen: line, name, act ('add', 'change', 'nothing', 'fault'), text.
    # @return [Array<Hash{String => Object}>]
    attr_reader :rows

    # @param text [String] CSV with a row of headings
    # @raise [InvalidInput] when it is no such table
    def initialize(text, by:)
      @by = by
      @table = parse(text.to_s)
      @known = Person.all.index_by(&:sign_in)
      @met = Hash.new { |all, name| all[name] = [] }
      @people = []
      @rows = @table.each_with_index.map { |row, i| look(row, i + 2) }
    end

    def faults = rows.count { |row| row['act'] == 'fault' }

    # @raise [Conflict] as long as a line is at fault
    def store
      raise Conflict, "#{faults} of #{rows.size} lines are at fault: nothing was stored." if faults.positive?

      Person.transaction do
        members = Members.new(@by)
        @people.each do |person, fields|
          person ? members.change(person, fields.merge('why' => 'from a list')) : members.add(fields)
        end
      end
    end

    private

    def parse(text)
      head = text.lines.first.to_s
      table = CSV.parse(text.delete_prefix("\u{feff}"), headers: true, skip_blanks: true,
                                                        header_converters: ->(name) { heading(name) },
                                                        col_sep: head.count(';') > head.count(',') ? ';' : ',')
      missing = NEEDED - table.headers.compact
      raise at_fault("expected the columns #{HEADINGS.join(', ')}; missing #{missing.join(', ')}") if missing.any?
      raise at_fault("expected at most #{MOST} people, got #{table.size}") if table.size > MOST

      table
    rescue CSV::MalformedCSVError => e
      raise at_fault("is not readable as a table: #{e.message}")
    end

    def heading(name) = name.to_s.strip.downcase.tr(' ', '_')
    def at_fault(message) = InvalidInput.new([{ path: 'csv', message: message }])

    def look(row, line)
      fields = HEADINGS.to_h { |name| [name, row[name].to_s.strip.delete_prefix("'").presence] }.compact
      troubles = troubles(fields, line)
      return said(line, fields, 'fault', troubles.join('; ')) if troubles.any?

      fields['mass_kg'] = Float(fields['mass_kg'])
      person = @known[fields['sign_in'].downcase]
      person ? changed(person, fields, line) : added(fields, line)
    end

    def troubles(fields, line)
      mass = Float(fields['mass_kg'], exception: false)
      name = fields['sign_in'].to_s.downcase
      first = @met[name].first
      @met[name] << line
      [
        *(NEEDED - fields.keys).map { |field| "#{field} is missing" },
        ("line #{first} has the same sign-in name" if first && !name.empty?),
        ('the sign-in name needs 2 to 59 small letters, figures, dots or dashes' if !name.empty? && !name.match?(Members::SIGN_IN)),
        strange(fields['role'], 'role', Person::ROLES),
        strange(fields['stage'], 'stage', Grading::Standard::STAGES),
        ("mass #{fields['mass_kg'].inspect} is no number from 30 to 200 kg" if fields['mass_kg'] && !mass?(mass)),
        ("#{fields['email'].inspect} is no address" if fields['email'] && !fields['email'].match?(Members::EMAIL))
      ].compact
    end

    def strange(value, name, known)
      "#{value.inspect} is no #{name}: #{known.join(', ')}" if value && !known.include?(value)
    end

    def mass?(mass) = mass && MASS_KG.cover?(mass)

    def added(fields, line)
      @people << [nil, fields.merge('id' => SecureRandom.uuid)]
      said(line, fields, 'add', "#{fields['name']} is added as #{fields['role'].tr('_', ' ')}")
    end

    # What the table leaves out stays as it is.
    def changed(person, fields, line)
      other = fields.reject { |name, value| person[name] == value || (name == 'sign_in') }
      return said(line, fields, 'nothing', "#{person.name} is here already, as written") if other.empty?

      @people << [person, other]
      words = other.map { |name, value| "#{name.tr('_', ' ')} #{person[name] || 'none'} becomes #{value}" }
      said(line, fields, 'change', "#{person.name}: #{words.join(', ')}")
    end

    def said(line, fields, act, text)
      { 'line' => line, 'name' => fields['name'] || fields['sign_in'] || '', 'act' => act, 'text' => text }
    end
  end
end
