# frozen_string_literal: true

module Fujin
  # Signs a student off when every condition is met, as the next link of the school's chain.
  class Signing
    def initialize(student, manoeuvre_id, by)
      @student = student
      @manoeuvre = Catalogue.find(manoeuvre_id)
      @by = by
      @progress = StudentProgress.afresh(student)
    end

    # @return [SignOff]
    # @raise [Conflict] when a condition is not met
    def sign(id:, remark: nil, now: Time.now.utc)
      Chain.alone do
        existing = SignOff.find_by(id: id)
        next existing if existing

        readiness = @progress.standing(@manoeuvre.id)[1]
        unless readiness.ready?
          raise Conflict, Text.of('Not ready: %{missing}.', missing: Text.list(readiness.missing.map(&:text), '; '))
        end

        one_at_a_time!
        # Signed in the school's language, whoever signs.
        Chain.append(Text.in(nil) { statement(id, remark, now, readiness) }, now: now) do
          SignOff.create!(id: id, student: @student, by: @by, created_at: now, **of)
        end
      end
    end

    private

    # What it is of: one stands at a time.
    def of = { manoeuvre: @manoeuvre.id, stage: @student.stage, kind: kind }

    def kind = @progress.evidence(@manoeuvre.id).map { |row, _| row.sortie.aircraft.type.kind }.last

    def one_at_a_time!
      standing = SignOff.in_force.find_by(student_id: @student.id, **of)
      return unless standing

      raise Conflict, Text.of('%{student} was signed off for %{manoeuvre} at this stage on %{created_at}. Withdraw ' \
        'that one first if it is to be signed anew.',
                              student: @student.name, manoeuvre: @manoeuvre.title.downcase,
                              created_at: Text.day(School.current.day_of(standing.created_at)))
    end

    def statement(id, remark, now, readiness)
      {
        'kind' => SignOffDocument::SIGN_OFF,
        'id' => id,
        'school' => School.current.name,
        'student' => @student.name,
        'student_id' => @student.id,
        'manoeuvre' => @manoeuvre.id,
        'instructor' => @by.name,
        'instructor_id' => @by.id,
        'signed_at' => now.iso8601,
        'remark' => remark.to_s,
        'conditions' => readiness.conditions.map(&:text),
        'scope' => scope,
        'validity' => validity,
        'evidence' => evidence,
        'caution' =>
          'Records that the conditions above were met. ' \
          'It replaces no licence, rating or authorisation the authority requires.'
      }
    end

    # What it was shown in, and so what it is good for: nothing else is claimed.
    def scope
      sorties = @progress.evidence(@manoeuvre.id).map { |row, _| row }
      types = sorties.map { |row| row.sortie.aircraft.type }.uniq(&:name)
      {
        'standards' => sorties.map { |row| row.proposal['standard_version'] }.uniq.sort,
        'stages' => sorties.map { |row| row.sortie.stage }.uniq.sort,
        'aircraft_types' => types.map { |type| Text.of('%{type} (%{kind})', type: type.name, kind: type.kind) }.sort,
        'people_aboard' => sorties.map { |row| row.sortie.people_aboard }.uniq.sort,
        'endings' => sorties.map { |row| ending(row) }.uniq.sort
      }
    end

    # How far it reaches, a sentence each.
    def validity
      flown = @progress.evidence(@manoeuvre.id).map { |row, _| row.sortie }.uniq
      [
        Text.of('Shown in %{strongest}; in more than that it was not shown.', strongest: strongest(flown)),
        'Good for the aircraft types, the endings and the people aboard named here, and for nothing else.',
        Text.of('Not flown for %{lapses_days} days, it is flown again with an instructor first.',
                lapses_days: Progress::NextLesson::LAPSES_DAYS),
        'It stands until it is withdrawn: ask the school, or check the file against its list of withdrawn sign-offs.'
      ]
    end

    def strongest(sorties)
      wind = sorties.flat_map { |sortie| [sortie.wind_kt, sortie.gust_kt] }.compact.max
      wind.nil? || wind < 1 ? 'calm air' : Text.of('wind up to %{wind} kt', wind: wind.round)
    end

    def ending(row)
      return 'as flown' unless @manoeuvre.endings.any?

      Text.of(SortieSetting.of(row).house['ending'].tr('_', ' '))
    end

    def evidence
      @progress
        .evidence(@manoeuvre.id)
        .map do |row, attempt|
          {
            'attempt_id' => row.id,
            'on_day' => attempt.on_day.iso8601,
            'level' => attempt.level,
            'grades' => attempt.grades.compact,
            'aircraft' => row.sortie.aircraft.mark,
            'standard_version' => row.proposal['standard_version'],
            'recording_sha256' => row.recording.sha256
          }
        end
    end
  end
end
