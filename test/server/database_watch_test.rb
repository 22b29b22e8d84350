# frozen_string_literal: true

require_relative '../server_helper'

# A machine that is busy is no database that hangs.
class DatabaseWatchTest < Minitest::Test
  # Its own clock, its own line to the database.
  class Watched < Fujin::DatabaseWatch
    public_class_method :new
    attr_writer :late

    def now = super + (@late || 0)
  end

  def eventually(what)
    50.times do
      return if yield

      sleep 0.1
    end
    flunk "not within 5 s: #{what}"
  end

  # It was not given the processor for a minute: nobody is turned away for that.
  def test_a_watch_that_is_late_turns_nobody_away
    watch = Watched.new

    assert_predicate watch, :answers?
    sleep 0.1
    watch.late = 60

    assert_predicate watch, :answers?
  end

  def test_a_question_that_is_out_too_long_is_told_before_its_answer_fails_to_come
    watch = Watched.new
    silent, _other = Socket.pair(:UNIX, :STREAM)
    line = Struct.new(:socket_io) do
      def send_query(_text) = nil
      def close = nil
    end
    watch.instance_variable_set(:@line, line.new(silent))

    assert_predicate watch, :answers?, 'not yet'
    eventually('told') { !watch.answers? }
    eventually('over') { watch.answers? }
  end
end
