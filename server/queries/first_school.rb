# frozen_string_literal: true

module Fujin
  # A school that begins: its row, its first chief instructor, its first aircraft. All of it or nothing.
  class FirstSchool
    LOCK = 7_301_985

    # What proves, from another machine, that whoever sets up may see what the server prints. It is good until there is
    # a school.
    def self.code = Digest::SHA256.hexdigest("set up #{Settings.secret}")[0, 10].upcase.insert(5, '-')

    # @param here [Boolean] asked from the machine itself
    # @raise [Conflict, NotAllowed]
    def self.check!(given, here:)
      raise Conflict, 'There is a school here already. Sign in.' if School.exists?
      return if here

      plain = ->(text) { text.to_s.upcase.gsub(/[^0-9A-F]/, '') }
      return if Rack::Utils.secure_compare(plain.call(code), plain.call(given))

      raise NotAllowed, 'From another machine the code is needed that the server printed when it started.'
    end

    # @param fields [Hash] 'school', 'chief', 'aircraft' as in the contract
    def initialize(fields)
      @school, @chief, @aircraft = fields.values_at('school', 'chief', 'aircraft')
    end

    # @return [Person] the chief instructor
    # @raise [InvalidInput] naming each field at fault; nothing is stored
    def found
      Record.transaction do
        Record.connection.execute("SELECT pg_advisory_xact_lock(#{LOCK})")
        raise Conflict, 'There is a school here already. Sign in.' if School.exists?

        school = begin_school
        chief.tap do |person|
          first_aircraft(person) if @aircraft
          AuditEntry.note('school set up', school, by: person)
        end
      end
    end

    private

    # Its aerodrome is the first place that lessons can lead to.
    def begin_school
      school = Founding.of(name: @school['name'].strip, station: @school['station'].upcase)
      at = @school.slice('lat_deg', 'lon_deg')
      units = @school.fetch('units', {})
      Units.check!(units)
      school.update!(time_zone: TimeZones.check!(@school['time_zone'], 'school.time_zone'), units: units, **at)
      Place.create!(name: "#{school.station} aerodrome", kind: 'aerodrome', elevation_ft: @school['elevation_ft'], **at)
      school
    end

    def chief
      person = Person.new(name: @chief['name'].strip, sign_in: @chief['sign_in'].downcase, role: 'chief_instructor',
                          mass_kg: @chief['mass_kg'], email: @chief['email'])
      Passwords.check!(@chief['password'], person, field: 'chief.password')
      person.password = @chief['password']
      person.tap(&:save!)
    end

    def first_aircraft(person)
      type = @aircraft['type_file'] ? own_type(person) : TypeStore.find(@aircraft['type_id'])
      AircraftRow.create!(mark: @aircraft['mark'].strip.upcase, type_id: type.id)
    end

    def own_type(person)
      TypeStore.add(TypeStore.read(@aircraft['type_file']), by: person, reason: 'the first type')
    end
  end
end
