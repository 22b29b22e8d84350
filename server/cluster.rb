# frozen_string_literal: true

require 'digest'
require 'English'
require 'fileutils'
require 'socket'

module Fujin
  # A PostgreSQL cluster of our own on loopback, from Debian's server programs; the system's cluster is never touched.
  # As root the server runs as the user 'postgres', otherwise as whoever started it.
  class Cluster
    class Failed < StandardError; end

    USER = 'fujin'
    attr_reader :port, :folder

    # @param home [String] wanted folder; #folder tells the one used, which the server's user can enter
    # @param durable [Boolean] false only for tests
    def initialize(home, port:, durable: true)
      @port = port
      @durable = durable
      @folder = enterable(home)
    end

    def url(database) = "postgresql://#{USER}@127.0.0.1:#{port}/#{database}"

    def create
      return if File.exist?(data('PG_VERSION'))

      FileUtils.mkdir_p(folder)
      FileUtils.chown_R(server_user, nil, folder) if server_user
      FileUtils.chmod(0o700, folder)
      run('initdb', '-D', data, '-U', USER, '-A', 'trust', '-E', 'UTF8', '--locale=C.UTF-8')
    end

    # @return [Integer] process id of the server in the foreground
    def spawn_server(log)
      # Loopback only: no socket file, whose path could grow too long.
      options = ['-D', data, '-p', port.to_s, '-c', 'listen_addresses=127.0.0.1', '-c', 'unix_socket_directories=']
      options += ['-c', 'fsync=off', '-c', 'full_page_writes=off'] unless @durable
      Process.spawn(*as_server_user(program('postgres'), *options), out: log, err: log, pgroup: true, chdir: folder)
    end

    # @raise [Failed] when it does not answer in time
    def wait(seconds: 30)
      deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
      until ready?
        if Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline
          raise Failed, "the database did not start within #{seconds} s; the reason is in var/log/database.log"
        end

        sleep 0.05
      end
    end

    def ready? = quiet('pg_isready', '-q', '-h', '127.0.0.1', '-p', port.to_s, '-U', USER)

    def create_database(name)
      return if quiet('psql', '-h', '127.0.0.1', '-p', port.to_s, '-U', USER, '-d', name, '-c', 'SELECT 1')

      run('createdb', '-h', '127.0.0.1', '-p', port.to_s, '-U', USER, name)
    end

    def self.free?(port)
      TCPServer.new('127.0.0.1', port).close
      true
    rescue Errno::EADDRINUSE, Errno::EACCES
      false
    end

    def self.free_port
      server = TCPServer.new('127.0.0.1', 0)
      server.addr[1].tap { server.close }
    end

    private

    def data(*parts) = File.join(folder, 'pg', *parts)
    def server_user = Process.uid.zero? ? 'postgres' : nil

    def program(name)
      folder = Dir['/usr/lib/postgresql/*/bin'].max_by { |path| path[/\d+/].to_i }
      unless folder
        raise Failed, "PostgreSQL's server is not installed: run 'apt-get install postgresql', then start again"
      end

      File.join(folder, name)
    end

    def as_server_user(*command)
      return command unless server_user

      ['setpriv', "--reuid=#{server_user}", "--regid=#{server_user}", '--init-groups', *command]
    end

    # The wanted folder, or one under /var/tmp when its parents shut the server's user out.
    def enterable(home)
      FileUtils.mkdir_p(home)
      return home unless server_user
      return home if system(*as_server_user('test', '-x', File.dirname(home)), out: File::NULL, err: File::NULL)

      File.join('/var/tmp', "fujin-#{Digest::SHA256.hexdigest(home)[0, 12]}").tap { |path| FileUtils.mkdir_p(path) }
    end

    def run(name, *arguments)
      output = IO.popen(as_server_user(program(name), *arguments), err: %i[child out], chdir: '/', &:read)
      raise Failed, "#{name} failed: #{output.lines.last(2).join.strip}" unless $CHILD_STATUS.success?
    end

    def quiet(name, *arguments) =
      system(*as_server_user(program(name), *arguments), out: File::NULL, err: File::NULL, chdir: '/')
  end
end
