# frozen_string_literal: true

ENV['FUJIN_ENV'] = 'test'
# What Rack's test client calls the server.
ENV['FUJIN_HOSTS'] = 'example.org'
ENV['FUJIN_SECRET'] ||= 'a secret for the tests only'

require_relative '../server/cluster'

# A PostgreSQL cluster of the tests' own, thrown away after them.
module TestDatabase
  # Its own for each run, so that two may run at a time.
  HOME = File.expand_path("../var/test-database-#{Process.pid}", __dir__)

  module_function

  # @return [Fujin::Cluster] running; the caller stops it
  def start
    remove_old
    cluster = Fujin::Cluster.new(HOME, port: Fujin::Cluster.free_port, durable: false)
    FileUtils.rm_rf(Dir[File.join(cluster.folder, '*')])
    cluster.create
    @pid = cluster.spawn_server([File.join(File.dirname(HOME), 'test-database.log'), 'a'])
    cluster.wait
    cluster.create_database('fujin_test')
    ENV.update(urls(cluster, 'fujin_test'))
    cluster
  end

  # The application's way in, and the owner's, who may clear up.
  def urls(cluster, name)
    { 'FUJIN_DATABASE_URL' => cluster.url(name), 'FUJIN_OWNER_URL' => cluster.owner_url(name),
      'FUJIN_SUPERUSER_URL' => cluster.superuser_url(name) }
  end

  # As the tables' owner. A line of its own each time: one that is kept would be closed by whatever is forked.
  def own(sql) = ask(ENV.fetch('FUJIN_OWNER_URL'), sql)

  def ask(url, sql)
    line = PG.connect(url)
    line.exec(sql)
  ensure
    line&.close
  end

  # Past every trigger, as nobody may who signs in over the network.
  def forge(sql)
    ask(ENV.fetch('FUJIN_SUPERUSER_URL'), "SET session_replication_role = replica; #{sql}")
  end

  # What runs left behind whose process is gone.
  def remove_old
    Dir[File.expand_path('../var/test-database-*[0-9]', __dir__)].each do |folder|
      Process.kill(0, folder[/\d+\z/].to_i)
    rescue Errno::ESRCH
      FileUtils.rm_rf(folder)
    end
  end

  def stop
    return unless @pid

    Process.kill('QUIT', @pid)
    Process.wait(@pid)
  rescue Errno::ESRCH, Errno::ECHILD
    nil
  ensure
    @pid = nil
  end
end
