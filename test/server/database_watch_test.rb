# frozen_string_literal: true

require_relative '../server_helper'

# A machine that is busy is no database that hangs.
class DatabaseWatchTest < Minitest::Test
  # Its own line to the database, which says nothing.
  class Watched < Fujin::DatabaseWatch
    public_class_method :new

    def self.silent
      quiet, other = Socket.pair(:UNIX, :STREAM)
      line = Struct.new(:socket_io, :other) do
        def send_query(_text) = nil
        def close = nil
      end
      new.tap { |watch| watch.instance_variable_set(:@line, line.new(quiet, other)) }
    end
  end

  def eventually(what)
    50.times do
      return if yield

      sleep 0.1
    end
    flunk "not within 5 s: #{what}"
  end

  # The process was not given the processor for two seconds, in the midst of a question: nobody is turned away for that.
  def test_a_machine_that_stood_still_turns_nobody_away
    told, tells = IO.pipe
    process = fork do
      watch = Watched.silent
      watch.answers?
      sleep 0.3
      Process.kill('STOP', Process.pid)
      tells.write(watch.answers?)
      tells.close
      exit!
    end
    Process.wait(process, Process::WUNTRACED)
    sleep 2
    Process.kill('CONT', process)
    tells.close

    assert_equal 'true', told.read
  ensure
    Process.wait(process)
  end

  # Of one that stopped the watch's line is laid and never answered, as a process finds it that nobody had asked yet.
  # Who waits there for an answer is let go with an error long before it would come.
  def test_who_waits_on_one_that_stopped_is_let_go
    stopped = TCPServer.new('127.0.0.1', 0)

    assert_match(/\AActiveRecord::/, answer_after(12, while_it_is_at: stopped.addr[1]))
  ensure
    stopped.close
  end

  # One that refuses is gone: whoever waited there knows already, and a busy one cuts nobody off.
  def test_nobody_is_let_go_on_one_that_refuses
    assert_equal 'PG::Result', answer_after(4, while_it_is_at: Fujin::Cluster.free_port)
  end

  # What somebody has in the end who waits so many seconds for an answer, while the watch finds the database at a port.
  # @return [String] the class of the answer, or of the error
  def answer_after(seconds, while_it_is_at:)
    told, tells = IO.pipe
    process = fork do
      waits = Thread.new { Fujin::Record.connection.execute("SELECT pg_sleep(#{seconds})") }
      waits.report_on_exception = false
      eventually('asked') { Fujin::Record.connection_pool.connections.any?(&:in_use?) }
      ENV['FUJIN_DATABASE_URL'] = "postgres://127.0.0.1:#{while_it_is_at}/elsewhere"
      watch = Watched.new
      eventually('told') { !watch.answers? }
      tells.write(answer_of(waits))
    ensure
      exit!
    end
    tells.close
    told.read
  ensure
    Process.wait(process)
  end

  def answer_of(thread)
    thread.value.class.name
  rescue StandardError => e
    e.class.name
  end

  def test_a_question_that_is_out_too_long_is_told_before_its_answer_fails_to_come
    watch = Watched.silent

    assert_predicate watch, :answers?, 'not yet'
    eventually('told') { !watch.answers? }
    eventually('over') { watch.answers? }
  end
end
