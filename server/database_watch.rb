# frozen_string_literal: true

require 'pg'
require 'socket'

module Fujin
  # Whether the database answers, asked twice a second on a line of its own. When it hangs, whoever waits for it is let
  # go with an error, so that its threads can say so to everybody else.
  class DatabaseWatch
    EVERY_S = 0.4
    PATIENCE_S = 1.2
    # So often in turn unanswered, it hangs.
    CERTAIN = 2

    class << self
      # The process's one watch.
      def shared = MUTEX.synchronize { @shared ||= new }
    end

    MUTEX = Mutex.new
    private_constant :MUTEX

    # A question that is out for too long tells it before its answer fails to come; between two questions a watch that
    # is late tells of a busy machine, and nothing of the database.
    # @return [Boolean]
    def answers?
      begin_watching
      waiting_since = @waiting_since
      @answers && (waiting_since.nil? || now - waiting_since < PATIENCE_S)
    end

    private

    def initialize
      @answers = true
      @hung = 0
      @lock = Mutex.new
    end

    def begin_watching
      @lock.synchronize { @thread = Thread.new { watch } unless @thread&.alive? }
    end

    def watch
      loop do
        @waiting_since = now
        @answers = asked?
        @waiting_since = nil
        # Gone, it lets everybody know by itself; hanging, it does not. Once may be a machine that is busy.
        @hung = @hangs ? @hung + 1 : 0
        let_go if @hung >= CERTAIN
        sleep EVERY_S
      end
    end

    # @return [Boolean] answered in time; a line that broke is laid anew once
    def asked?
      @hangs = false
      answered?
    rescue PG::Error
      drop
      begin
        answered?
      rescue PG::Error
        drop
      end
    end

    def answered?
      @line ||= PG.connect("#{Settings.database_url}?connect_timeout=2")
      @line.send_query('SELECT 1')
      unless @line.socket_io.wait_readable(PATIENCE_S)
        @hangs = true
        return drop
      end

      @line.get_last_result
      true
    end

    def drop
      @line&.close
      @line = nil
      false
    rescue PG::Error
      @line = nil
      false
    end

    # Their lines are cut: each waiting thread gets an error, and takes a new line at its next question.
    def let_go
      ActiveRecord::Base.connection_pool.connections.select(&:in_use?).each do |connection|
        line = connection.instance_variable_get(:@raw_connection) or next
        BasicSocket.for_fd(line.socket).tap { |io| io.autoclose = false }.shutdown
      rescue SystemCallError, PG::Error, IOError
        next
      end
    end

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
