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
      if faults.positive?
        raise Conflict, Text.of('%{faults} of %{rows} lines are at fault: nothing was stored.',
                                faults: faults, rows: rows.size)
      end

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
      if missing.any?
        raise at_fault(Text.of('expected the columns %{headings}; missing %{missing}',
                               headings: HEADINGS.join(', '), missing: missing.join(', ')))
      end
      if table.size > MOST
        raise at_fault(Text.of('expected at most %{most} people, got %{table}', most: MOST, table: table.size))
      end

      table
    rescue CSV::MalformedCSVError => e
      raise at_fault(Text.of('is not readable as a table: %{message}', message: e.message))
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
        *(NEEDED - fields.keys).map { |field| Text.of('%{field} is missing', field: field) },
        (Text.of('line %{first} has the same sign-in name', first: first) if first && !name.empty?),
        ('the sign-in name needs 2 to 59 small letters, figures, dots or dashes' if !name.empty? && !name.match?(Members::SIGN_IN)),
        strange(fields['role'], 'role', Person::ROLES),
        strange(fields['stage'], 'stage', Grading::Standard::STAGES),
        (if fields['mass_kg'] && !mass?(mass)
           Text.of('mass %{fields} is no number from 30 to 200 kg', fields: fields['mass_kg'].inspect)
         end),
        (if fields['email'] && !fields['email'].match?(Members::EMAIL)
           Text.of('%{fields} is no address', fields: fields['email'].inspect)
         end)
      ].compact
    end

    def strange(value, name, known)
      if value && !known.include?(value)
        Text.of('%{value} is no %{name}: %{known}', value: value.inspect, name: name, known: known.join(', '))
      end
    end

    def mass?(mass) = mass && MASS_KG.cover?(mass)

    def added(fields, line)
      @people << [nil, fields.merge('id' => SecureRandom.uuid)]
      said(line, fields, 'add', Text.of('%{person} is added as %{role}',
                                        person: fields['name'], role: fields['role'].tr('_', ' ')))
    end

    # What the table leaves out stays as it is.
    def changed(person, fields, line)
      other = fields.reject { |name, value| person[name] == value || (name == 'sign_in') }
      if other.empty?
        return said(line, fields, 'nothing', Text.of('%{person} is here already, as written', person: person.name))
      end

      @people << [person, other]
      words = other.map do |name, value|
        Text.of('%{field} %{was} becomes %{value}', field: name.tr('_', ' '), was: person[name] || 'none', value: value)
      end
      said(line, fields, 'change', "#{person.name}: #{words.join(', ')}")
    end

    def said(line, fields, act, text)
      { 'line' => line, 'name' => fields['name'] || fields['sign_in'] || '', 'act' => act, 'text' => text }
    end
  end
end
