# frozen_string_literal: true

require 'net/http'
require 'zlib'
require_relative 'filled_school'

module Fujin
  # What the server's own process answers while a school works with it: 300 students, 5,000 lessons, 100,000 attempts;
  # 20 people who read what the pages read, a second of thought between two reads.
  class ServerLoad
    SIZE = { students: 300, lessons: 16, attempts: 20, busy: 4000, long: 50 }.freeze
    USERS = 20
    THINK_S = 1.0
    LIMIT_S = 0.060
    COLD_S = 0.300
    QUERIES = 12
    MEMORY_MB = 400
    # The times are wanted of two idle processors; a host that takes them away lengthens every one.
    TAKEN = 0.01

    # One kind of read, with how long it took; of one that failed, what was said.
    Read = Struct.new(:name, :seconds, :status, :said) do
      def failed? = status != '200'
    end

    # @param lasting_s [Numeric] how long the people work
    # @param watchers [Integer] who follow a flight meanwhile
    # @param size [Hash] FilledSchool.open's
    def initialize(lasting_s: 60, watchers: 0, size: SIZE, out: $stdout)
      @lasting_s = lasting_s
      @watchers = watchers
      @size = size
      @out = out
    end

    # @return [Array<Array(String, String, String, String)>] work, figure, target, verdict
    def rows
      FilledSchool.open(**@size) do |school|
        @school = school
        @paths = paths
        queries = queries_of
        with_web do
          cold = read_cold
          watching = watch
          before = memory_mb
          processors = processor_times
          reads = work
          taken = taken_since(processors)
          return told(cold, reads, queries, [before, memory_mb], taken, watching)
        end
      end
    end

    private

    # By what is read; each with the addresses that it is asked of in turn.
    def paths
      lessons = Sortie.order(:starts_at).last(60)
      attempts = AttemptRow.where(sortie_id: lessons.map(&:id)).limit(60).pluck(:id)
      recent = lessons.map(&:id)
      students = Person.students.limit(40).pluck(:id)
      { 'today' => ['/api/today'],
        'students' => ['/api/students', '/api/students?find=student1'], 'names' => ['/api/student-names'],
        # Among them the one with 4,000 attempts.
        'student' => [@school.student.id, *students].map { |id| "/api/students/#{id}" },
        "a student's lessons" => [@school.student.id, *students].map { |id| "/api/students/#{id}/lessons" },
        'lesson' => recent.map { |id| "/api/sorties/#{id}" },
        'attempts of a lesson' => recent.map { |id| "/api/sorties/#{id}/attempts" },
        'taps of a lesson' => recent.map { |id| "/api/sorties/#{id}/events" },
        'attempt' => attempts.map { |id| "/api/attempts/#{id}" },
        'strips' => attempts.map { |id| "/api/attempts/#{id}/strips" },
        'pictures' => attempts.map { |id| "/api/attempts/#{id}/pictures" },
        'bookings' => ["/api/bookings?from=#{Time.now.utc.to_date.iso8601}&days=7"],
        'fleet' => ['/api/fleet'], 'aircraft' => ['/api/aircraft'], 'people' => ['/api/people'],
        'log' => students.map { |id| "/api/people/#{id}/log" },
        'solo' => students.map { |id| "/api/students/#{id}/solo" },
        'agreement' => ['/api/agreement'], 'catalogue' => ['/api/catalogue'], 'types' => ['/api/types'],
        'sites' => ['/api/sites'], 'places' => ['/api/places'], 'school' => ['/api/school'], 'me' => ['/api/me'],
        'audit' => ['/api/audit'], 'session' => ['/api/session'] }
    end

    # How many queries each read asks, counted in a process of our own.
    # @return [Hash{String => Integer}]
    def queries_of
      require 'rack/mock'
      app = Rack::MockRequest.new(App.build)
      cookie = @school.sign_in_to(app)
      @paths.transform_values do |all|
        app.get(all.first, 'HTTP_COOKIE' => cookie)
        counted { app.get(all.last, 'HTTP_COOKIE' => cookie) }
      end
    end

    def counted(&)
      count = 0
      seen = ->(*, payload) { count += 1 unless %w[SCHEMA TRANSACTION].include?(payload[:name]) || payload[:cached] }
      ActiveSupport::Notifications.subscribed(seen, 'sql.active_record', &)
      count
    end

    def with_web
      @port = Cluster.free_port
      environment = { 'FUJIN_DATABASE_URL' => Settings.database_url, 'FUJIN_SECRET' => Settings.secret }
      @web = Process.spawn(environment, 'bundle', 'exec', 'puma', '-q', '-C', 'server/puma.rb', '-b',
                           "tcp://127.0.0.1:#{@port}", 'server/config.ru',
                           chdir: Settings::ROOT, out: File::NULL, err: File::NULL)
      sleep 0.1 while Cluster.free?(@port)
      @cookie = signed_in_cookie
      yield
    ensure
      Process.kill('TERM', @web) && Process.wait(@web) if @web
    end

    def signed_in_cookie(name = 'chief')
      @school.sign_in(name) do |headers, body|
        answer = Net::HTTP.post(URI("http://127.0.0.1:#{@port}/api/session"), body,
                                'Content-Type' => headers['CONTENT_TYPE'])
        [answer.code, answer['set-cookie']]
      end
    end

    # Everything once, by a server that has just started.
    def read_cold
      Net::HTTP.start('127.0.0.1', @port) { |http| @paths.map { |name, all| ask(http, name, all.first) } }
    end

    def ask(http, name, path)
      began = now
      answer = http.get(path, 'Cookie' => @cookie, 'Accept-Encoding' => 'gzip')
      Read.new(name, now - began, answer.code).tap { |read| read.said = said(answer) if read.failed? }
    end

    # Net::HTTP unpacks nothing where the packing was asked for by hand.
    def said(answer)
      body = answer['content-encoding'] == 'gzip' ? Zlib.gunzip(answer.body) : answer.body
      JSON.parse(body)['title']
    rescue JSON::ParserError
      body[0, 80]
    end

    def work
      until_s = now + @lasting_s
      threads = Array.new(USERS) do |user|
        Thread.new { one_person(Random.new(user), until_s) }
      end
      threads.flat_map(&:value)
    end

    def one_person(random, until_s)
      reads = []
      Net::HTTP.start('127.0.0.1', @port) do |http|
        sleep random.rand(THINK_S)
        while now < until_s
          name, all = @paths.to_a.sample(random: random)
          reads << ask(http, name, all.sample(random: random))
          sleep THINK_S
        end
      end
      reads
    end

    # People who follow a flight and say nothing; nobody may follow more than a few.
    def watch
      @streams = Array.new(@watchers).each_slice(LiveFeed::EACH).with_index.flat_map do |some, i|
        cookie = signed_in_cookie("watcher#{i}")
        some.map { follow(cookie) }
      end
    end

    def follow(cookie)
      socket = TCPSocket.new('127.0.0.1', @port)
      socket.write(["GET /api/sorties/#{@school.lesson.id}/live HTTP/1.1", 'Host: 127.0.0.1', "Cookie: #{cookie}",
                    "\r\n"].join("\r\n"))
      answer = socket.gets.to_s
      raise "a flight could not be followed: #{answer}" unless answer.include?('200')

      socket
    end

    # Of the largest of the server's processes.
    def memory_mb
      children = File.read("/proc/#{@web}/task/#{@web}/children").split
      [@web, *children].map { |pid| File.read("/proc/#{pid}/status")[/VmRSS:\s+(\d+)/, 1].to_i / 1024 }.max
    end

    # Of all processors: what each kind of work took, in ticks.
    def processor_times = File.open('/proc/stat', &:gets).split.drop(1).map(&:to_i)

    # The eighth is what the host gave to others.
    # @return [Float] share of all of it
    def taken_since(before)
      passed = processor_times.zip(before).map { |to, from| to - from }
      passed[7].fdiv(passed.first(8).sum)
    end

    def told(cold, reads, queries, memory, taken, _watching)
      failed = (cold + reads).select(&:failed?).group_by { |read| [read.name, read.status, read.said] }
      failed.each do |(name, status, said), all|
        @out.puts "#{name} answered #{status} #{all.size} times: #{said}, after #{ms(all.map(&:seconds).max)} at most"
      end
      [whole(reads), slowest_cold(cold), most_queries(queries), memory_row(memory), taken_row(taken),
       *each_read(reads, cold, queries)]
    end

    def whole(reads)
      p95 = at(reads.map(&:seconds), 0.95)
      row("#{reads.size} reads by #{USERS} people at #{THINK_S} s, 95 % within", ms(p95), "at most #{ms(LIMIT_S)}",
          p95 <= LIMIT_S)
    end

    def slowest_cold(cold)
      read = cold.max_by(&:seconds)
      row("the slowest first read (#{read.name})", ms(read.seconds), "at most #{ms(COLD_S)}", read.seconds <= COLD_S)
    end

    def most_queries(queries)
      name, count = queries.max_by(&:last)
      row("most queries of a read (#{name})", count.to_s, "at most #{QUERIES}", count <= QUERIES)
    end

    def memory_row((before, after))
      row('memory of the largest web process', "#{before} to #{after} MB", "at most #{MEMORY_MB} MB",
          after <= MEMORY_MB)
    end

    def taken_row(share)
      figure, target = [share, TAKEN].map { |part| format('%.1f %%', part * 100) }
      row('of the processors the host gave to others', figure, "at most #{target}", share <= TAKEN)
    end

    def each_read(reads, cold, queries)
      first = cold.to_h { |read| [read.name, read.seconds] }
      reads.group_by(&:name).sort_by { |_, all| -at(all.map(&:seconds), 0.95) }.map do |name, all|
        p95, middle = [0.95, 0.5].map { |share| at(all.map(&:seconds), share) }
        row("  #{name} (#{all.size})",
            "#{ms(p95)}; middle #{ms(middle)}, first #{ms(first[name])}, #{queries[name]} queries",
            "at most #{ms(LIMIT_S)}", p95 <= LIMIT_S)
      end
    end

    def row(work, figure, target, met) = [work, figure, target, met ? 'met' : 'missed']
    def ms(seconds) = "#{(seconds * 1000).round} ms"
    def at(values, share) = values.sort[((values.size - 1) * share).round]
    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
