# frozen_string_literal: true

require_relative 'record'

module Fujin
  # What was changed, by whom, from what to what, with why. Appended, never changed: the database refuses it.
  class AuditEntry < Record
    belongs_to :by, class_name: 'Fujin::Person', optional: true
    scope :latest, -> { order(id: :desc) }

    # @param what [String] in words, as 'role changed'
    # @param subject [Record] with an id, and a name or mark
    def self.note(what, subject, by:, was: {}, became: {}, why: nil, now: Time.now.utc)
      create!(at: now, by: by, what: what, subject_kind: subject.model_name.element, subject_id: subject.id,
              subject: name_of(subject), was: was, became: became, why: why)
    end

    # What of a record was changed just now, but for what is nobody's business.
    # @param names [Array<String>] of the attributes that are kept
    def self.note_changes(what, subject, names, by:, why: nil)
      changed = subject.saved_changes.slice(*names)
      return if changed.empty?

      note(what, subject, by: by, why: why, was: changed.transform_values(&:first),
                          became: changed.transform_values(&:last))
    end

    def self.name_of(subject)
      %i[name mark title].each { |name| return subject.public_send(name) if subject.respond_to?(name) }
      subject.model_name.human
    end
    private_class_method :name_of
  end
end
