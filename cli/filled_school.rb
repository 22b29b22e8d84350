# frozen_string_literal: true

require 'fileutils'
require 'tmpdir'

module Fujin
  # A school with years of lessons in a throwaway database, for measuring the server: one lesson flown and read for
  # real, and as many copies of it as are wanted.
  class FilledSchool
    PASSWORD = 'measured only'
    SPOT = [47.2104, -14.3320].freeze

    attr_reader :student, :lesson, :template

    # Starts the database, fills it, yields, and throws it away.
    # @param students [Integer], @param lessons [Integer] of each, of so many attempts
    # @param busy [Integer] attempts of the one student who flew most, @param long [Integer] attempts of one lesson
    def self.open(**size)
      home = Dir.mktmpdir('fujin-bench')
      ENV['FUJIN_SECRET'] ||= 'a secret for measuring only'
      require_relative '../server/cluster'
      cluster = Cluster.new(home, port: Cluster.free_port, durable: false)
      cluster.create
      pid = cluster.spawn_server(['/dev/null', 'a'])
      cluster.wait
      cluster.create_database('fujin_bench')
      ENV['FUJIN_DATABASE_URL'] = cluster.url('fujin_bench')
      require_relative '../server/app'
      Database.connect
      Database.migrate
      yield new.tap { |school| school.fill(**size) }
    ensure
      ActiveRecord::Base.connection_handler.clear_all_connections! if defined?(ActiveRecord::Base)
      Process.kill('QUIT', pid) && Process.wait(pid) if pid
      [home, cluster&.folder].compact.uniq.each { |folder| FileUtils.rm_rf(folder) }
    end

    def fill(students:, lessons:, attempts:, busy:, long:)
      people(students)
      @template = flown
      students.times { |i| copy(person(i), lessons, attempts) }
      copy(@student, busy / attempts, attempts)
      @lesson = Sortie.find(copy(@student, 1, long).first)
      ActiveRecord::Base.connection.execute('ANALYZE')
    end

    # @return [String] the name that signs in as staff
    def chief = 'chief'

    private

    def person(number) = Person.find_by!(sign_in: "student#{number}")

    def people(students)
      Founding.of(name: 'Measured', station: 'XTST')
      make('chief', 'chief_instructor')
      @student = make('busy', 'student', stage: 'solo')
      students.times { |i| make("student#{i}", 'student', stage: 'solo') }
      @aircraft = AircraftRow.create!(mark: 'Q-TEST', type_id: 'tansy-2')
    end

    def make(name, role, **fields)
      @digest ||= BCrypt::Password.create(PASSWORD, cost: 4).to_s
      Person.new(name: name.capitalize, sign_in: name, role: role, mass_kg: 70, **fields)
        .tap { |row| row.password_digest = @digest }.tap(&:save!)
    end

    # A lesson of one attempt, read and graded as any other.
    def flown
      chief = Person.find_by!(sign_in: 'chief')
      sortie = Sortie.plan!(student: @student, instructor: chief, aircraft: @aircraft, starts_at: Time.now.utc - 3600,
                            manoeuvre: 'straight_in_autorotation', stage: 'solo', fuel_kg: 40, wind_from_deg: 350,
                            wind_kt: 8, spot_name: 'Heath', spot_lat_deg: SPOT[0], spot_lon_deg: SPOT[1],
                            elevation_ft: 62.0, course_deg: 350)
      setting = SortieSetting.new(sortie)
      bytes = Lessons::FlownLesson.new(setting.conditions, faults: [{}], origin: SPOT, elevation_ft: 62.0,
                                                           house: setting.house, course_deg: 350.0).csv
      row = RecordingRow.create!(sortie: sortie, by: chief, name: 'one.csv', bytes: bytes,
                                 sha256: Digest::SHA256.hexdigest(bytes))
      ImportRecording.run(row.id)
      attempt = sortie.reload.attempts.find(&:asked?)
      attempt.proposal['phases'].each do |phase|
        GradeRow.create!(id: SecureRandom.uuid, attempt: attempt, phase: phase['id'], kind: 'instructor', grade: 3,
                         by: chief, standard_version: 'measured', created_at: Time.now.utc)
      end
      attempt
    end

    # Lessons of a student, each like the template with so many attempts.
    # @return [Array<String>] ids of the lessons
    def copy(student, lessons, attempts)
      sorties = Array.new(lessons) { SecureRandom.uuid }
      sorties.each_with_index do |id, i|
        day = Time.now.utc - ((i + 1) * 86_400)
        insert('sorties', @template.sortie_id, id: id, student_id: student.id, starts_at: day)
        exercise = SecureRandom.uuid
        insert('exercises', @template.exercise_id, id: exercise, sortie_id: id)
        recording = SecureRandom.uuid
        insert('recordings', @template.recording_id, id: recording, sortie_id: id)
        attempts.times { |n| attempt(id, exercise, recording, n) }
      end
      sorties
    end

    def attempt(sortie, exercise, recording, number)
      id = SecureRandom.uuid
      insert('attempts', @template.id, id: id, sortie_id: sortie, exercise_id: exercise, recording_id: recording,
                                       position: number, tap_no: number + 1, start_s: number * 100.0,
                                       end_s: (number * 100.0) + 90.0)
      names = GradeRow.column_names - %w[id attempt_id position]
      run("INSERT INTO grades (id, attempt_id, #{list(names)}) SELECT gen_random_uuid(), '#{id}', #{list(names)} " \
        "FROM grades WHERE attempt_id = '#{@template.id}'")
    end

    def insert(table, from, **given)
      columns = ActiveRecord::Base.connection.columns(table).reject(&:virtual?).map(&:name) - given.keys.map(&:to_s)
      values = given.values.map { |value| ActiveRecord::Base.connection.quote(value) }.join(', ')
      run("INSERT INTO #{table} (#{given.keys.join(', ')}, #{list(columns)}) SELECT #{values}, #{list(columns)} " \
        "FROM #{table} WHERE id = '#{from}'")
    end

    def list(names) = names.map { |name| %("#{name}") }.join(', ')
    def run(sql) = ActiveRecord::Base.connection.execute(sql)
  end
end
