# frozen_string_literal: true

require 'fileutils'
require 'tmpdir'

module Fujin
  # A school with years of lessons in a throwaway database, for measuring the server: one lesson flown and read for
  # real, and as many copies of it as are wanted.
  class FilledSchool
    PASSWORD = 'measured only'
    SPOT = [47.2104, -14.3320].freeze
    # Over how many days the lessons lie, and by how many those of different students are apart.
    SPREAD_DAYS = 1000
    STAGGER_DAYS = 60
    # Instructors who do nothing but follow flights.
    WATCHERS = 25

    attr_reader :student, :lesson, :template

    # Starts the database, fills it, yields, and throws it away.
    # @param students [Integer], @param lessons [Integer] of each, of so many attempts
    # @param busy [Integer] attempts of the one student who flew most, @param long [Integer] attempts of one lesson
    def self.open(**size)
      home = Dir.mktmpdir('fujin-bench')
      ENV['FUJIN_SECRET'] ||= 'a secret for measuring only'
      # What Rack's mock calls the server.
      ENV['FUJIN_HOSTS'] ||= 'example.org'
      require_relative '../server/cluster'
      cluster = Cluster.new(home, port: Cluster.free_port, durable: false)
      cluster.create
      pid = cluster.spawn_server(['/dev/null', 'a'])
      cluster.wait
      cluster.create_database('fujin_bench')
      ENV['FUJIN_OWNER_URL'] = cluster.owner_url('fujin_bench')
      ENV['FUJIN_DATABASE_URL'] = cluster.url('fujin_bench')
      require_relative '../server/app'
      Database.migrate
      # Filled by the one who may leave out what the database does at each row.
      ActiveRecord::Base.establish_connection(cluster.superuser_url('fujin_bench'))
      school = new.tap { |one| one.fill(**size) }
      Database.connect
      yield school
    ensure
      ActiveRecord::Base.connection_handler.clear_all_connections! if defined?(ActiveRecord::Base)
      Process.kill('QUIT', pid) && Process.wait(pid) if pid
      [home, cluster&.folder].compact.uniq.each { |folder| FileUtils.rm_rf(folder) }
    end

    def fill(students:, lessons:, attempts:, busy:, long:)
      people(students)
      @template = flown
      at_once do
        students.times { |i| copy(person(i), lessons, attempts) }
        copy(@student, busy / attempts, attempts)
        @lesson = Sortie.find(copy(@student, 1, long).first)
      end
      # What the database does at each new lesson.
      run('INSERT INTO progress_marks (sortie_id, student_id) SELECT id, student_id FROM sorties')
      run('ANALYZE')
      # As bin/start does after an update.
      KeptProgress.freshen(Person.learners.to_a)
    end

    # Signs somebody in, the chief instructor unless said otherwise.
    # @yield [Hash, String] headers and body of the question, to be asked however it is measured
    # @return [String] the cookie
    def sign_in(name = 'chief')
      status, cookie = yield({ 'CONTENT_TYPE' => 'application/json' },
                             JSON.generate(sign_in: name, password: PASSWORD))
      raise "signing in answered #{status}" unless status.to_i == 200

      cookie.split(';').first
    end

    # The same, of an application in this process.
    # @param app [Rack::MockRequest]
    def sign_in_to(app)
      sign_in do |headers, body|
        answer = app.post('/api/session', headers.merge(input: body))
        [answer.status, answer['set-cookie']]
      end
    end

    private

    # In one transaction and without what the database does at each row; what is kept of progress is worked out after.
    def at_once
      Sortie.transaction do
        run('SET LOCAL session_replication_role = replica')
        yield
      end
    end

    def person(number) = Person.find_by!(sign_in: "student#{number}")

    def people(students)
      Founding.of(name: 'Measured', station: 'XTST')
      make('chief', 'chief_instructor')
      @student = make('busy', 'student', stage: 'solo')
      students.times { |i| make("student#{i}", 'student', stage: 'solo') }
      WATCHERS.times { |i| make("watcher#{i}", 'instructor') }
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

    # Lessons of a student, each like the template with so many attempts, spread over the years before today.
    # @return [Array<String>] ids of the lessons
    def copy(student, lessons, attempts)
      ids = Array.new(lessons) { SecureRandom.uuid }
      ids.each_with_index { |id, i| one_lesson(id, student, attempts, i * (SPREAD_DAYS / lessons)) }
      ids
    end

    # Days before today differ from student to student, so that a day has as many lessons as a school's has.
    def one_lesson(id, student, attempts, days_ago)
      @turn = ((@turn || 0) + 1) % STAGGER_DAYS
      day = Time.now.utc - ((days_ago + @turn + 1) * 86_400)
      exercise = SecureRandom.uuid
      recording = SecureRandom.uuid
      insert('sorties', @template.sortie_id, id: id, student_id: student.id, starts_at: day)
      insert('exercises', @template.exercise_id, id: exercise, sortie_id: id)
      # No read touches a file's bytes: a copy carries none of the weight.
      insert('recordings', @template.recording_id, id: recording, sortie_id: id, bytes: 'as the first')
      attempts(id, exercise, recording, attempts)
    end

    def attempts(sortie, exercise, recording, count)
      own = { sortie_id: sortie, exercise_id: exercise, recording_id: recording }
      placed = %w[id position tap_no start_s end_s]
      names = columns('attempts') - placed - own.keys.map(&:to_s)
      run("INSERT INTO attempts (#{list(placed)}, #{own.keys.join(', ')}, #{list(names)}) SELECT " \
          'gen_random_uuid(), n, ' \
        "n + 1, n * 100.0, (n * 100.0) + 90.0, #{own.values.map do |value|
          quote(value)
        end.join(', ')}, #{list(names)} " \
          "FROM attempts, generate_series(0, #{count - 1}) AS n WHERE id = #{quote(@template.id)}")
      given = columns('grades') - %w[id attempt_id position]
      run("INSERT INTO grades (id, attempt_id, #{list(given)}) SELECT gen_random_uuid(), copied.id, " \
        "#{given.map { |name| %(grades."#{name}") }.join(', ')} FROM grades, attempts AS copied " \
        "WHERE grades.attempt_id = #{quote(@template.id)} AND copied.sortie_id = #{quote(sortie)}")
    end

    def insert(table, from, **given)
      names = columns(table) - given.keys.map(&:to_s)
      values = given.values.map { |value| quote(value) }.join(', ')
      run("INSERT INTO #{table} (#{given.keys.join(', ')}, #{list(names)}) SELECT #{values}, #{list(names)} " \
        "FROM #{table} WHERE id = '#{from}'")
    end

    def columns(table) = ActiveRecord::Base.connection.columns(table).reject(&:virtual?).map(&:name)
    def quote(value) = ActiveRecord::Base.connection.quote(value)
    def list(names) = names.map { |name| %("#{name}") }.join(', ')
    def run(sql) = ActiveRecord::Base.connection.execute(sql)
  end
end
