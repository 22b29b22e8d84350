# frozen_string_literal: true

require_relative 'filled_school'

module Fujin
  # What the server answers with years of lessons stored, each read several times in a process of its own.
  class ServerBench
    SIZE = { students: 60, lessons: 4, attempts: 5, busy: 2000, long: 40 }.freeze
    ROUNDS = 5

    # @return [Array<Array(String, Float, Float)>] what was asked, the middle of its times and the limit, seconds
    def rows
      FilledSchool.open(**SIZE) do |school|
        require 'rack/mock'
        @app = Rack::MockRequest.new(App.build)
        @cookie = school.sign_in_to(@app)
        return reads(school).map { |words, paths, limit| [words, Quantities.median(times(paths)), limit] } +
            [['a year measured again after a change, an attempt', again(school), 0.5]]
      end
    end

    private

    def reads(school)
      lesson = "/api/sorties/#{school.lesson.id}"
      student = "/api/students/#{school.student.id}"
      attempt = "/api/attempts/#{school.lesson.attempts.ids.first}"
      [
        ['open a lesson of 40 attempts', [lesson, "#{lesson}/attempts", attempt], 1.0],
        ["a student's page with 2,000 attempts", [student, "#{student}/lessons"], 0.3],
        ['the class with 60 students', ['/api/students', '/api/students?page=2'], 0.5],
        ["today's board", ['/api/today'], 0.3]
      ]
    end

    def times(paths)
      Array.new(ROUNDS) do
        began = now
        paths.each do |path|
          answer = @app.get(path, 'HTTP_COOKIE' => @cookie)
          raise "#{path} answered #{answer.status}: #{answer.body[0, 300]}" unless answer.status == 200
        end
        now - began
      end
    end

    # What the worker takes for each attempt of a recording that is measured again.
    def again(school)
      template = school.template
      recut = RecutAttempt.new(template.sortie, template.recording, by: template.sortie.instructor)
      Quantities.median(Array.new(3) { timed { recut.measured(template) } })
    end

    def timed
      began = now
      yield
      now - began
    end

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
