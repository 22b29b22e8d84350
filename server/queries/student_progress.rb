# frozen_string_literal: true

module Fujin
  # A student's graded attempts in the core's words, and what follows from them.
  class StudentProgress
    attr_reader :student, :rows

    # @param rows [Array<AttemptRow>, nil] as LightAttempts gives them; read here otherwise
    # @param tapped [Array<Progress::GradedAttempt>, nil] of flights without a recording; read here otherwise
    # @param school [School, nil] read here otherwise
    def initialize(student, rows: nil, tapped: nil, school: nil)
      @student = student
      @school = school
      @tapped = tapped
      @rows = rows || LightAttempts.of([student.id])
      @taps = {}
    end

    # @return [Array<Array(AttemptRow, Progress::GradedAttempt)>] in order of time
    def graded
      @graded ||= @rows.map { |row| [row, graded_attempt(row)] }.select { |row, attempt| row.asked? || attempt.level }
    end

    def standing(manoeuvre_id)
      mine = graded.map(&:last).select { |a| a.manoeuvre == manoeuvre_id }
      waits = blocks.select { |count| count.block.needed_for.include?(manoeuvre_id) }
      rule = school.readiness_rule(manoeuvre_id)
      [Progress::Standing.new(mine),
       Progress::Readiness.new(mine, rule, stage: @student.stage, blocks: waits), mine.size]
    end

    # How far the student has come in each of the school's counted blocks.
    # @return [Array<Progress::BlockCount>]
    def blocks
      @blocks ||= begin
        attempts = graded.map(&:last) + tapped
        school.counted_blocks.map { |block| Progress::BlockCount.new(block, attempts) }
      end
    end

    # What the next lesson could be.
    # @param kinds [Array<String>] of aircraft that this student flies
    # @return [Array<Progress::NextLesson::Advice>]
    def advice(kinds:, signed:, today:)
      declared = Catalogue.all.select { |one| one.kinds.intersect?(kinds) }
      attempts = graded.map(&:last).group_by(&:manoeuvre)
      Progress::NextLesson.new(declared, attempts, signed: signed, today: today, blocks: blocks).advice
    end

    # What was flown, in teaching order.
    def manoeuvres = Catalogue.all.map(&:id) & graded.map { |_, a| a.manoeuvre }

    # The rows a sign-off of this manoeuvre would cite.
    def evidence(manoeuvre_id)
      wanted = standing(manoeuvre_id)[1].evidence
      cited = graded.select { |_, attempt| wanted.include?(attempt) }
      whole = AttemptRow.where(id: cited.map { |row, _| row.id }).index_by(&:id)
      cited.map { |row, attempt| [whole.fetch(row.id), attempt] }
    end

    # Number of an attempt within its sortie, which the taps go by.
    def self.number_in_sortie(row, siblings)
      siblings.sort_by { |a| [a.created_at, a.position] }.index { |a| a.id == row.id } + 1
    end

    private

    def school = @school ||= School.current
    def tapped = @tapped ||= TappedAttempts.of([student.id]).fetch(student.id, [])

    def graded_attempt(row)
      number = row.tap_no || self.class.number_in_sortie(row, siblings(row))
      taps = (@taps[row.sortie_id] ||= HelpTaps.new(row.sortie.fly_events.to_a))
      done = row.counts && row.told['result'] == 'completed'
      Progress::GradedAttempt.new(
        manoeuvre: row.manoeuvre,
        flown_at: row.sortie.starts_at.to_f + row.position,
        on_day: row.sortie.starts_at.to_date,
        grades: decided(row),
        help: taps.help(number),
        counts: done && row.whole?,
        critical: row.judged['critical'],
        stage: row.sortie.stage,
        done: done && row.manner != 'demonstration' && !row.sortie.teaching?,
        controls: row.task == 'whole' ? taps.controls(number) : 'one',
        settings: row.exercise&.own_settings || {},
        measures: AttemptRow::COUNTED.to_h { |measure| [measure, row.counted(measure)] }
      )
    end

    def siblings(row) = (@siblings ||= @rows.group_by(&:sortie_id)).fetch(row.sortie_id)

    # The instructor's last word on each phase of the attempt, nil on one that nobody graded; the whole attempt is not
    # graded until every proposed phase is.
    def decided(row)
      last = row.given('instructor')
      return {} unless (row.proposed_phases - last.keys).empty?

      row.told['phases'].to_h { |phase| [phase['id'], last[phase['id']]] }
    end
  end
end
