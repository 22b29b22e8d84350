# frozen_string_literal: true

require 'pg'
require 'socket'

module Fujin
  # Whether the database answers, asked twice a second on a line of its own. When it hangs, whoever waits for it is let
  # go with an error, so that its threads can say so to everybody else.
  class DatabaseWatch
    EVERY_S = 0.4
    # How often it is looked whether an answer is there, and how many looks it is given: looks, not seconds, for a
    # machine that stood still a while has not waited.
    LOOK_S = 0.1
    LOOKS = 12
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
      @answers && @looks < LOOKS
    end

    private

    def initialize
      @answers = true
      @hung = 0
      @looks = 0
      @lock = Mutex.new
    end

    def begin_watching
      @lock.synchronize do
        @watching = Thread.new { watch } unless @watching&.alive?
        @looking = Thread.new { look } unless @looking&.alive?
      end
    end

    # A question can wait in the laying of its line, too, where its own thread can count nothing.
    def look
      loop do
        sleep LOOK_S
        @looks = @asking ? @looks + 1 : 0
      end
    end

    def watch
      loop do
        @asking = true
        @answers = asked?
        @asking = false
        @looks = 0
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
        !@hangs && answered?
      rescue PG::Error
        drop
      end
    end

    def answered?
      @line ||= line_laid
      @line.send_query('SELECT 1')
      if answer_came?
        @line.get_last_result
        return true
      end

      @hangs = true
      drop
    end

    # Refused, it is gone; not answered, it hangs, as one does that stopped: its port is open still.
    def line_laid
      PG.connect("#{Settings.database_url}?connect_timeout=2")
    rescue PG::Error
      @hangs = @looks >= LOOKS
      raise
    end

    def answer_came? = LOOKS.times.any? { @line.socket_io.wait_readable(LOOK_S) }

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
  end
end
