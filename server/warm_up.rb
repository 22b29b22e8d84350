# frozen_string_literal: true

require 'rack/mock'

module Fujin
  # Reads once what the first people will ask, before the web splits into processes: what is read from files and kept
  # (types, standards, labels) is there for all of them, and nobody waits for it.
  module WarmUp
    module_function

    # A school that has nothing yet warms nothing; what goes wrong here goes wrong again where somebody is told.
    # @param app [#call] asked once as nobody, so that everything before its routes is there, too
    def run(app)
      Rack::MockRequest.new(app).get('http://127.0.0.1/api/session')
      viewer = Person.where(role: 'chief_instructor', left_on: nil).first or return
      Current.set(reading: true) { reads(viewer).each(&:call) }
    rescue StandardError => e
      Fujin.logger.warn("not warmed up: #{e.class}")
    ensure
      Current.reset
    end

    # Each process has its own connections: signing in to the database, and asking what types it has, is not left to
    # who reads first.
    # @param count [Integer]
    def connect(count)
      pool = Record.connection_pool
      Array.new(count) { pool.checkout }.each do |connection|
        connection.verify!
        pool.checkin(connection)
      end
    rescue StandardError => e
      Fujin.logger.warn("not connected beforehand: #{e.class}")
    end

    def reads(viewer)
      school = School.current
      today = school.today
      of_the_school = [
        -> { TodayBoard.new(viewer, today).to_h }, -> { BookingBoard.new(viewer, today, 1).to_h },
        -> { StudentRows.new(Person.students.limit(1).to_a).to_a }, -> { CatalogueView.new(school).to_h }
      ]
      flown = AttemptRow.order(created_at: :desc).first
      flown ? of_the_school + of_a_lesson(flown, viewer) : of_the_school
    end

    def of_a_lesson(attempt, viewer)
      lesson = attempt.sortie
      [
        -> { SortieView.new(lesson, viewer).to_h }, -> { AttemptViews.new(lesson, viewer).to_a },
        -> { DebriefPictures.new(attempt, viewer).to_h }, -> { StudentRecord.new(lesson.student, viewer).to_h },
        -> { StudentLessons.new(lesson.student, viewer, size: 1).to_h },
        -> { SoloView.new(lesson.student, viewer).to_h }
      ]
    end
  end
end
