# frozen_string_literal: true

module Fujin
  # An attempt as a student's record has it: which one it is, and what the core counts of it.
  # `answered`: the learner has said their own word on it.
  KeptAttempt = Value.define(:id, :sortie_id, :position, :counts, :manner, :answered, :graded) do
    # From a recording; the others were only tapped.
    def recorded? = !id.nil?
    def manoeuvre = graded.manoeuvre

    # @return [Hash] for JSON
    def kept = to_h.merge(graded: graded.to_h.merge(on_day: graded.on_day.iso8601))

    # @param kept [Hash{String => Object}] as #kept gave it
    def self.from(kept, sortie_id)
      graded = kept['graded'].transform_keys(&:to_sym)
      new(id: kept['id'], sortie_id: sortie_id, position: kept['position'], counts: kept['counts'],
          manner: kept['manner'], answered: kept['answered'],
          graded: Progress::GradedAttempt.new(**graded, on_day: Date.iso8601(graded[:on_day])))
    end
  end
end
