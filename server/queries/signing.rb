# frozen_string_literal: true

module Fujin
  # Signs a student off when every condition is met, as the next link of the school's chain.
  class Signing
    CHAIN_LOCK = 7_301_984

    def initialize(student, manoeuvre_id, by)
      @student = student
      @manoeuvre = Catalogue.find(manoeuvre_id)
      @by = by
      @progress = StudentProgress.new(student)
    end

    # @return [SignOff]
    # @raise [Conflict] when a condition is not met
    def sign(id:, remark: nil, now: Time.now.utc)
      existing = SignOff.find_by(id: id)
      return existing if existing

      readiness = @progress.standing(@manoeuvre.id)[1]
      raise Conflict, "Not ready: #{readiness.missing.map(&:text).join('; ')}." unless readiness.ready?

      SignOff.transaction do
        # One signer at a time, so that the chain cannot fork.
        SignOff.connection.execute("SELECT pg_advisory_xact_lock(#{CHAIN_LOCK})")
        last = SignOff.in_order.last
        document =
          SignOffDocument.sign(
            statement(id, remark, now, readiness),
            previous_hash: last&.document_hash || SignOffDocument::FIRST,
            key: SealedKey.open(School.current.sealed_private_key, Settings.secret)
          )
        SignOff.create!(
          id: id,
          student: @student,
          by: @by,
          manoeuvre: @manoeuvre.id,
          chain_position: (last&.chain_position || 0) + 1,
          document_hash: document['hash'],
          document: JSON.generate(document),
          created_at: now
        )
      end
    end

    private

    def statement(id, remark, now, readiness)
      {
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
        'aircraft_types' => types.map { |type| "#{type.name} (#{type.kind})" }.sort,
        'people_aboard' => sorties.map { |row| row.sortie.people_aboard }.uniq.sort,
        'endings' => sorties.map { |row| ending(row) }.uniq.sort
      }
    end

    def ending(row)
      return 'as flown' unless @manoeuvre.endings.any?

      SortieSetting.of(row).house['ending'].tr('_', ' ')
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
