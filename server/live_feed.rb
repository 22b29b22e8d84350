# frozen_string_literal: true

require 'json'

module Fujin
  # Readings on their way from the worker that records a flight to whoever watches it: NOTIFY in, LISTEN out, one
  # listening connection a process however many watch.
  class LiveFeed
    CHANNEL = 'fujin_live'
    # A watcher who falls behind by so many readings loses them: old ones are of no use in the air.
    DEEPEST = 20
    ALIVE_S = 2.0
    ALIVE = :alive
    OVER = :over

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
    end

    # @return [Thread::Queue] of messages about a sortie as JSON, of ALIVE between them, and OVER at the end
    def watch(sortie_id)
      listen
      Thread::Queue.new.tap { |queue| @lock.synchronize { @watchers[sortie_id] << queue } }
    end

    def leave(sortie_id, queue)
      @lock.synchronize { @watchers[sortie_id].delete(queue) }
    end

    private

    def listen
      @lock.synchronize { @thread = Thread.new { listen_on } unless @thread&.alive? }
    end

    # A connection of its own, outside the pool. When it breaks every watcher is let go, and comes again by itself.
    def listen_on
      connection = PG.connect(Settings.database_url)
      connection.exec("LISTEN #{CHANNEL}")
      loop { connection.wait_for_notify(ALIVE_S) { |_, _, text| hand_out(text) } || everybody(ALIVE) }
    rescue PG::Error => e
      Fujin.logger.warn("the live feed lost the database: #{e.message}")
    ensure
      connection&.close
      everybody(OVER)
    end

    def everybody(message) = @lock.synchronize { @watchers.values.flatten }.each { |queue| queue << message }

    def hand_out(text)
      id = JSON.parse(text).fetch('sortie')
      @lock.synchronize { @watchers.fetch(id, []).dup }.each do |queue|
        queue.clear if queue.size >= DEEPEST
        queue << text
      end
    end
  end

  # A feed as a response body: server-sent events, with a sign of life between them.
  class LiveEvents
    def initialize(sortie_id, feed: LiveFeed.shared)
      @sortie_id = sortie_id
      @feed = feed
    end

    def each
      queue = @feed.watch(@sortie_id)
      yield ": here\n\n"
      until (message = queue.pop) == LiveFeed::OVER
        yield message == LiveFeed::ALIVE ? ": alive\n\n" : "data: #{message}\n\n"
      end
    ensure
      @feed.leave(@sortie_id, queue) if queue
    end
  end
end
