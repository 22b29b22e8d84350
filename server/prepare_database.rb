# frozen_string_literal: true

# Brings the database up to date; a database without a school gets the demo school
# (bin/start --empty, or FUJIN_DEMO=none, leaves it empty).
require_relative 'boot'
require 'active_support/core_ext/digest/uuid'
require_relative '../db/demo/demo_school'

begin
  Fujin::Database.migrate
  # All or nothing: a demo that was broken off leaves no half school behind.
  unless Fujin::School.exists? || ENV['FUJIN_DEMO'] == 'none'
    Fujin::Record.transaction do
      Fujin::DemoSchool.new(today: Time.now.utc.to_date, say: ->(text) { puts "fujin: #{text}" }).load
    end
  end
  if Fujin::School.exists?
    Fujin::Chain.take_in_older(now: Time.now.utc)
    # After an update nothing kept is good any more: worked out here, nobody waits for it.
    Fujin::KeptProgress.freshen(Fujin::Person.learners.to_a)
    if (lesson = Fujin::DemoSchool.lesson_to_follow)
      puts "fujin: a lesson to follow as it is flown: http://127.0.0.1:#{ENV.fetch('FUJIN_PORT', '4810')}/sorties/" \
        "#{lesson.id}/fly, signed in as corwin, then Record live"
    end
  end
  Fujin::CheckChain.begin
  puts "fujin: #{Fujin::FirstWords.text}"
rescue ActiveRecord::ActiveRecordError => e
  warn "fujin: the database refused: #{e.message.lines.first.strip}"
  warn e.backtrace.first(20).join("\n") if ENV['FUJIN_DEBUG']
  exit 1
end
