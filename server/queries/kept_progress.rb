# frozen_string_literal: true

require 'digest'

module Fujin
  # Progress as it is kept, so that a page of years of lessons reads a few rows. The database marks a lesson in the
  # transaction that changes anything of it (db/migrate/20261128000011_keep_progress.rb); who reads works out what is
  # marked first. What other code, other rules of the school or another stage worked out is worked out again, so that
  # what is read is always what working it out afresh would give (#differing tells).
  module KeptProgress
    module_function

    # What works progress out; when it changes, nothing kept is good any more.
    SOURCES = %w[core/lib core/data server/queries server/models server/serialisers].freeze
    ROOT = File.expand_path('../..', __dir__)

    # @return [Array<KeptAttempt>] of a student, in order of time
    def attempts(student) = lessons(student).flat_map(&:flown)

    # @return [Array<LessonRecord>] of a student, in order of time
    def lessons(student)
      freshen([student])
      LessonRecord.where(student_id: student.id).joins(:sortie).order('sorties.starts_at').to_a
    end

    # How far each lesson has come: one question where nothing is marked.
    # @param sorties [Array<Sortie>]
    # @param everybody [Boolean] works out whatever is marked of anybody, not of their students alone
    # @return [Hash{String => LessonProgress}] by sortie
    def progress(sorties, everybody: false)
      students = sorties.map(&:student_id).uniq unless everybody
      return {} if students && students.empty?

      marked, kept = marked_and_kept(students, sorties)
      if marked.any?
        work_out(marked)
        _, kept = Record.uncached { marked_and_kept(students, sorties) }
      end
      kept.transform_values { |one| LessonProgress.from(one) }
    end

    # @param students [Array<String>, nil] nil is everybody
    # @return [Array(Array<String>, Hash{String => Hash})] students whose record is stale, and progress by lesson
    def marked_and_kept(students, sorties)
      sql = <<~SQL.squish
        SELECT (SELECT json_agg(student_id) FROM (#{stale_sql(students)}) AS stale) AS marked,
          (SELECT json_object_agg(sortie_id, progress) FROM lesson_records WHERE sortie_id = ANY(#{students ? '$2' : '$1'})) AS kept
      SQL
      row = rows(sql, *[students].compact, sorties.map(&:id)).first
      [JSON.parse(row['marked'] || '[]'), JSON.parse(row['kept'] || '{}')]
    end

    # @param student [Person]
    # @return [KeptStanding]
    def standing(student) = standings([student]).fetch(student.id)

    # @param students [Array<Person>]
    # @return [Hash{String => KeptStanding}] by student
    def standings(students)
      freshen(students)
      KeptStanding.asked(:of_students, students.map(&:id)) { KeptStanding.where('student_id = ANY($1)') }
        .index_by(&:student_id)
    end

    # Works out whatever is not as it would be now.
    # @param students [Array<Person>]
    def freshen(students)
      ids = students.map(&:id)
      work_out(ids & stale(ids)) if ids.any?
    end

    # Learners whose record is not as it would be now: something of it was marked (a new lesson is, too), a lesson of
    # theirs was worked out by other code, their standing by other code, by other rules of the school or at another
    # stage.
    # @param ids [Array<String>, nil] among these; nil is everybody
    # @return [Array<String>]
    def stale(ids = nil) = rows(stale_sql(ids), *[ids].compact).map { |row| row['student_id'] }

    def rows(sql, *ids)
      Record.connection.select_all(sql, 'Kept', ids.map { |some| Record.list(some) }, preparable: true)
    end

    def stale_sql(ids)
      code = code(School.current)
      among = ids ? '= ANY($1)' : 'IS NOT NULL'
      <<~SQL.squish
        SELECT student_id FROM progress_marks WHERE student_id #{among}
        UNION SELECT student_id FROM lesson_records
          WHERE student_id #{among} AND (worked_out_by < '#{code}' OR worked_out_by > '#{code}')
        UNION SELECT people.id FROM people LEFT JOIN student_records ON student_records.student_id = people.id
          WHERE people.id #{among} AND people.role IN (#{LEARNERS})
          AND student_records.worked_out_by IS DISTINCT FROM #{rules_by_stage}
      SQL
    end

    LEARNERS = Person::LEARNERS.map { |role| "'#{role}'" }.join(', ').freeze
    private_constant :LEARNERS

    # SQL: what a student's standing says that is as it would be now.
    def rules_by_stage
      school = School.current
      cases = [*Grading::Standard::STAGES, nil].map { |stage| [stage, rules(stage, school)] }
      known = cases.filter_map { |stage, sum| "WHEN '#{stage}' THEN '#{sum}'" if stage }
      "CASE people.stage #{known.join(' ')} ELSE '#{cases.last.last}' END"
    end

    # By what the rows say now, whatever this read has asked before.
    def work_out(ids)
      Record.uncached { ids.sort.each { |id| Keeping.new(id, School.current).work_out } }
    end

    # Students whose record does not say what working it out afresh does: none, ever.
    # @return [Array<String>] their ids
    def differing(students)
      freshen(students)
      students.reject { |student| lessons_agree?(student) && standings_agree?(student) }.map(&:id)
    end

    def lessons_agree?(student)
      kept = LessonRecord.where(student_id: student.id).index_by(&:sortie_id)
      LessonOutcome.of(Sortie.where(student_id: student.id)).all? do |one|
        kept[one.sortie.id]&.kept == as_kept(one.kept)
      end
    end

    def standings_agree?(student)
      KeptStanding.find(student.id).kept == as_kept(Keeping.standing(StudentProgress.afresh(student)))
    end

    def as_kept(told) = JSON.parse(JSON.generate(told))

    # Lessons that were never worked out, or by other code.
    def unworked
      Sortie.left_outer_joins(:lesson_record).where('lesson_records.worked_out_by IS DISTINCT FROM ?',
                                                    code(School.current))
        .distinct
    end

    # The code, the school's rules and the stage by which a student's standing is worked out.
    def rules(stage, school) = Digest::SHA256.hexdigest([code(school), school.readiness, school.blocks, stage].to_json)

    # The code, the clock by which a lesson's day is told, the language that is kept.
    def code(school) = Digest::SHA256.hexdigest([CODE, school.time_zone, Text.usual].to_json)
    CODE = SOURCES.flat_map { |folder| Dir[File.join(ROOT, folder, '**', '*.{rb,yml,json}')] }
      .sort.reduce(Digest::SHA256.new) { |sum, file| sum << File.binread(file) }.hexdigest.freeze
  end
end
