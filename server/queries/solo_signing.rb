# frozen_string_literal: true

module Fujin
  # Gives a solo authority, and takes it back, each as a link of the school's chain.
  class SoloSigning
    def initialize(student, by)
      @student = student
      @by = by
    end

    # What is missing of the school's list does not forbid it: the instructor decides, and says so.
    # @param fields [Hash] 'id', what Solo::Authority has, 'remark', 'despite'
    # @return [SoloAuthority]
    # @raise [InvalidInput, Conflict]
    def give(fields, now: Time.now.utc)
      existing = SoloAuthority.find_by(id: fields['id'])
      return existing if existing

      authority = authority(fields)
      missing = SoloView.new(@student, @by).missing
      if missing.any? && fields['despite'].to_s.strip.length < 3
        raise Conflict, Text.of('Not everything is there: %{missing}. It can be given all the same, with a reason ' \
          'that is signed.',
                                missing: Text.list(missing.map(&:text), '; '))
      end
      statement = statement(fields, authority, missing, now)
      Chain.append(statement, now: now) do
        SoloAuthority.create!(id: fields['id'], student: @student, by: @by, allowed: allowed(authority),
                              from_on: authority.from, until_on: authority.until, created_at: now)
      end
    end

    # @param row [SoloAuthority]
    def withdraw(row, id:, reason:, now: Time.now.utc)
      return row if row.withdrawal

      statement = { 'kind' => SignOffDocument::SOLO_WITHDRAWAL, 'id' => id, 'school' => School.current.name,
                    'withdraws' => row.id, 'withdraws_hash' => row.link.document_hash, 'student' => row.student.name,
                    'instructor' => @by.name, 'instructor_id' => @by.id, 'signed_at' => now.iso8601,
                    'reason' => reason }
      Chain.append(statement, now: now) do
        SoloWithdrawal.create!(id: id, solo_authority: row, by: @by, reason: reason, created_at: now)
      end
      coming(now).each { |lesson| SoloLesson.new(lesson).recall(@by) }
      row.reload
    end

    private

    # Those of the student that may be flown still.
    def coming(now) = Sortie.where(student_id: @student.id, go_decision: 'go', off_at: nil, starts_at: (now - 86_400)..)

    def authority(fields)
      Solo::Authority.build(
        **fields.slice('exercises', 'places', 'aircraft_ids', 'wind_kt', 'gust_kt', 'crosswind_kt', 'visibility_m',
                       'cloud_base_ft', 'daylight_only').transform_keys(&:to_sym),
        from: Date.iso8601(fields['from']), until: Date.iso8601(fields['until'])
      ).tap { |one| check(one) }
    end

    def check(authority)
      authority.exercises.each { |id| Catalogue.find(id) }
      unless @student.learner? && @student.may_sign_in?
        raise Conflict, Text.of('%{student} is no student here.', student: @student.name)
      end
      return if AircraftRow.kept.where(id: authority.aircraft_ids).count == authority.aircraft_ids.uniq.size

      raise InvalidInput, [{ path: 'aircraft_ids', message: 'there is no such aircraft on the list' }]
    end

    def allowed(authority) = authority.to_h.except(:from, :until).transform_keys(&:to_s)

    def statement(fields, authority, missing, now)
      marks = AircraftRow.where(id: authority.aircraft_ids).order(:mark).pluck(:mark)
      allowed(authority).except('aircraft_ids').merge(
        'kind' => SignOffDocument::SOLO, 'id' => fields['id'], 'school' => School.current.name, 'aircraft' => marks,
        'student' => @student.name, 'student_id' => @student.id, 'instructor' => @by.name, 'instructor_id' => @by.id,
        'from' => authority.from.iso8601, 'until' => authority.until.iso8601, 'signed_at' => now.iso8601,
        'remark' => fields['remark'].to_s, 'missing' => missing.map(&:text), 'despite' => fields['despite'].to_s,
        'caution' => 'Allows what is written here and nothing else. It replaces no licence, medical or authority ' \
          'that the law asks for.'
      )
    end
  end
end
