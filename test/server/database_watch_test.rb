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

  def test_a_question_that_is_out_too_long_is_told_before_its_answer_fails_to_come
    watch = Watched.silent

    assert_predicate watch, :answers?, 'not yet'
    eventually('told') { !watch.answers? }
    eventually('over') { watch.answers? }
  end
end
