# frozen_string_literal: true

module Fujin
  # Works every student's progress out afresh, and puts right what is kept otherwise: nothing, unless somebody wrote it
  # by hand.
  class Recount
    # @param out [IO] where it says what it found
    def initialize(out)
      @out = out
    end

    # @return [Integer] how many were not what their lessons say
    def run
      wrong = Person.learners.to_a.select { |student| KeptProgress.differing([student]).any? }
      wrong.each do |student|
        Record.transaction { put_right(student) }
        @out.puts "#{student.name}: was not what its lessons say, and was worked out again"
      end
      @out.puts "#{Person.learners.count} students, #{LessonRecord.count} lessons: " \
        "#{wrong.empty? ? 'all' : 'now all'} as worked out afresh"
      wrong.size
    end

    private

    def put_right(student)
      LessonRecord.where(student_id: student.id).delete_all
      KeptStanding.where(student_id: student.id).delete_all
      KeptProgress.freshen([student])
    end
  end
end
