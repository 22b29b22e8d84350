# frozen_string_literal: true

require 'io/console'
require_relative '../server/running'

module Fujin
  module Commands
    # `school`: sets a school up, invites, lists, and throws the demo away, on the Fujin that runs here.
    class School < Command
      ACTS = { 'show' => :show, 'set-up' => :set_up, 'add' => :add, 'invite' => :invite, 'import' => :import,
               'throw-demo-away' => :throw_away }.freeze
      USAGE = <<~TEXT
        school show                                    the school, its people and aircraft
        school set-up FILE.yml                         a school from a file: school, chief, aircraft (the password is asked)
        school add NAME SIGN_IN ROLE MASS_KG [MAIL]    somebody new; prints the link of their invitation
        school invite SIGN_IN                          a new link for somebody
        school import FILE.csv [--store]               people from a table: what would happen, or all of it
        school throw-demo-away NAME                    empties Fujin; NAME is the demo school's, as a confirmation
      TEXT

      NONE = 'No school yet: bin/fujin school set-up FILE.yml, or open the address in a browser.'

      # Its words are read here: names may hold what other commands take for flags.
      def initialize(argv, out, err)
        @words = argv.dup
        @out = out
        @err = err
      end

      def run
        act = ACTS.fetch(@words.shift || 'show') { raise CommandLine::Usage, "school knows:\n#{USAGE}" }
        Running.connect
        send(act) || 0
      rescue Fujin::Conflict, Fujin::NotFound, ActiveRecord::RecordNotFound => e
        @err.puts "fujin: #{e.message}"
        1
      end

      private

      def word(what) = @words.shift || raise(CommandLine::Usage, "school: #{what} is missing\n#{USAGE}")

      def show
        school = Fujin::School.first
        return @out.puts(NONE) unless school

        @out.puts "#{school.name}, #{school.station}, #{school.time_zone}#{' (demo)' if school.demo}"
        rows = Person.order(:name).map { |one| [one.name, one.sign_in, one.role, one.state] }
        @out.puts Tables.lines([%w[name sign-in role state], *rows])
        @out.puts Tables.lines([%w[mark type], *AircraftRow.kept.map { |row| [row.mark, row.type.name] }])
      end

      def set_up
        file = word('the file')
        fields = YAML.safe_load_file(file)
        raise InvalidInput, [{ path: file, message: 'expected school and chief' }] unless
          fields.is_a?(Hash) && fields.values_at('school', 'chief').all?(Hash)

        fields['chief']['password'] ||= password
        chief = FirstSchool.new(fields).found
        @out.puts "#{Fujin::School.current.name} is set up. #{chief.name} signs in as #{chief.sign_in}."
      rescue Psych::Exception => e
        raise InvalidInput, [{ path: file, message: "is not readable as YAML: #{e.message}" }]
      end

      # Typed unseen, or the first line of what is handed in.
      def password
        @err.print 'Password of the chief instructor: ' if $stdin.tty?
        line = $stdin.tty? ? $stdin.noecho(&:gets) : $stdin.gets
        @err.puts if $stdin.tty?
        line.to_s.chomp
      end

      def add
        name, sign_in, role, mass = ['name', 'sign-in name', 'role', 'mass'].map { |what| word(what) }
        person = Members.new(chief).add('id' => SecureRandom.uuid, 'name' => name, 'sign_in' => sign_in, 'role' => role,
                                        'mass_kg' => mass_of(mass), 'email' => @words.shift)
        link(person)
      end

      def mass_of(text)
        Float(text,
              exception: false) || raise(InvalidInput, [{ path: 'mass_kg', message: "#{text.inspect} is no number" }])
      end

      def invite = link(Person.find_by!(sign_in: word('the sign-in name')))

      def link(person)
        invitation, word = Invitation.give(person, by: chief)
        AuditEntry.note('invited', person, by: chief)
        @out.puts "#{person.name}: http://127.0.0.1:#{ENV.fetch('FUJIN_PORT', '4810')}/join/#{word}",
                  "Once, until #{invitation.expires_at.strftime('%-d %B %H:%M')} UTC."
      end

      # Whoever may use the database acts as the chief instructor who has been here longest.
      def chief
        @chief ||= Person.present.where(role: 'chief_instructor', suspended_at: nil).order(:created_at).first ||
          raise(Conflict, 'There is no chief instructor: set the school up first.')
      end

      def import
        table = PeopleTable.new(File.read(word('the table'), encoding: 'UTF-8'), by: chief)
        table.rows.each { |row| @out.puts "line #{row['line']}: #{row['act']}: #{row['text']}" }
        return table.faults.zero? ? 0 : 1 unless @words.delete('--store')

        table.store
        @out.puts 'Stored.'
      end

      def throw_away
        DemoThrownAway.new(word('the name of the demo school')).run
        @out.puts 'The demo is gone. The next start finds no school: bin/start --empty, or open the address now.'
      end
    end
  end
end
