# frozen_string_literal: true

require 'json'

module Fujin
  # Somebody who follows a flight by server-sent events: a socket that no thread waits at.
  class LiveWatcher
    # Who falls behind by so much loses readings: old ones are of no use in the air.
    MOST_WAITING = 32_768

    # The server hands a connection over at once, or never.
    TAKEN_WITHIN_S = 10.0
    # What of a flight a learner sees only after their own word.
    NOT_YET = %w[over so_far].freeze

    attr_reader :session_id, :person_id

    # @param session_id [String] of the session that ends it when it ends
    # @param person [Person] who follows
    def initialize(session_id, person)
      @session_id = session_id
      @person_id = person.id
      @learner = person.learner?
      @asked_at = now
      @waiting = +''
      @lock = Mutex.new
      @gone = false
    end

    # The connection, once the server has sent what goes before.
    def take(io)
      @io = io
      write(": here\n\n")
    end

    def gone? = @gone

    # Whoever asked went away before there was a connection to write to.
    def lost? = @io.nil? && now - @asked_at > TAKEN_WITHIN_S

    # @param message [String, Symbol] as LiveFeed#watch says
    def <<(message)
      case message
      when LiveFeed::OVER then close
      when LiveFeed::ALIVE then write(": alive\n\n")
      else tell(message)
      end
      self
    end

    private

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

    def tell(message)
      message = JSON.generate(JSON.parse(message).except(*NOT_YET)) if @learner
      write("data: #{message}\n\n")
    end

    def write(text)
      @lock.synchronize do
        return if @io.nil? || @gone

        @waiting << text if @waiting.bytesize < MOST_WAITING
        until @waiting.empty?
          written = @io.write_nonblock(@waiting, exception: false)
          break if written == :wait_writable

          @waiting = @waiting.byteslice(written..)
        end
      end
    rescue IOError, SystemCallError
      close
    end

    def close
      @gone = true
      @io&.close
    rescue IOError, SystemCallError
      nil
    end
  end
end
