# frozen_string_literal: true

require 'json'
require_relative 'live_watcher'

module Fujin
  # Readings on their way from the worker that records a flight to whoever watches it: NOTIFY in, LISTEN out, one
  # listening connection a process however many watch.
  class LiveFeed
    CHANNEL = 'fujin_live'
    ALIVE_S = 2.0
    # Without the database it is heard from later, when the line is taken up again.
    HEARS_WITHIN_S = 3.0
    # How often those whose session has ended are let go.
    SESSIONS_S = 4.0
    ALIVE = :alive
    OVER = :over
    # Flights that one person may follow at a time from one process, and how many may follow any.
    EACH = 8
    ALL = 500

    class << self
      def publish(sortie_id, message)
        ActiveRecord::Base.connection.execute(
          "SELECT pg_notify('#{CHANNEL}', " \
            "#{ActiveRecord::Base.connection.quote(JSON.generate(message.merge('sortie' => sortie_id)))})"
        )
      end

      # The process's one feed.
      def shared = MUTEX.synchronize { @shared ||= new }
    end

    MUTEX = Mutex.new
    private_constant :MUTEX

    def initialize
      @watchers = Hash.new { |hash, id| hash[id] = [] }
      @lock = Mutex.new
      @hears = ConditionVariable.new
      @listening = false
    end

    # @param watcher [#<<] is told messages about the sortie as JSON, ALIVE between them, and OVER at the end
    # @return [#<<] the watcher
    # @raise [TooMuch]
    def watch(sortie_id, watcher = Thread::Queue.new)
      listen
      watcher.tap do
        @lock.synchronize do
          admit!(watcher)
          @watchers[sortie_id] << watcher
        end
      end
    end

    def leave(sortie_id, watcher)
      @lock.synchronize { @watchers[sortie_id].delete(watcher) }
    end

    private

    def admit!(watcher)
      all = @watchers.values.flatten.grep(LiveWatcher)
      own = watcher.is_a?(LiveWatcher) ? all.count { |one| one.person_id == watcher.person_id } : 0
      return if all.size < ALL && own < EACH

      raise TooMuch, "You follow #{own} flights at once: close one of those pages first." if own >= EACH

      raise TooMuch, "#{ALL} people follow flights now. The page tries again by itself."
    end

    # Nothing that is published from here on is missed.
    def listen
      @lock.synchronize do
        @thread = Thread.new { listen_on } unless @thread&.alive?
        @hears.wait(@lock, HEARS_WITHIN_S) unless @listening
      end
    end

    # A connection of its own, outside the pool. When it breaks every watcher is let go, and comes again by itself.
    def listen_on
      connection = PG.connect(Settings.database_url)
      connection.exec("LISTEN #{CHANNEL}")
      @lock.synchronize { (@listening = true) && @hears.broadcast }
      loop do
        connection.wait_for_notify(ALIVE_S) { |_, _, text| hand_out(text) } || everybody(ALIVE)
        let_go if due?
      end
    rescue PG::Error, ActiveRecord::ActiveRecordError => e
      Fujin.logger.warn("the live feed lost the database: #{e.message}")
    ensure
      @listening = false
      connection&.close
      everybody(OVER)
    end

    def due?
      now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      return false if @looked && now - @looked < SESSIONS_S

      @looked = now
      true
    end

    # Those who went, and those who are no longer signed in.
    def let_go
      all = @lock.synchronize { @watchers.values.flatten }.grep(LiveWatcher)
      return if all.empty?

      live = ActiveRecord::Base.connection_pool.with_connection do
        PersonSession.live.where(id: all.map(&:session_id).uniq).pluck(:id)
      end
      all.each { |one| one << OVER if one.lost? || !live.include?(one.session_id) }
      @lock.synchronize { @watchers.each_value { |ones| ones.reject! { |one| one.is_a?(LiveWatcher) && one.gone? } } }
    end

    def everybody(message) = @lock.synchronize { @watchers.values.flatten }.each { |watcher| watcher << message }

    def hand_out(text)
      id = JSON.parse(text).fetch('sortie')
      @lock.synchronize { @watchers.fetch(id, []).dup }.each { |watcher| watcher << text }
    end
  end
end
