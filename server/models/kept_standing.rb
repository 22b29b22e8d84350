# frozen_string_literal: true

require_relative 'record'

module Fujin
  # Where a student stands in each manoeuvre, kept.
  class KeptStanding < Record
    self.table_name = 'student_records'
    self.primary_key = 'student_id'

    # @param manoeuvres [Array<String>] that the student is signed off for
    # @return [Array<Hash>] the API's standings
    def with_sign_offs(manoeuvres)
      standings.map { |one| one.merge('signed_off' => manoeuvres.include?(one['manoeuvre'])) }
    end
  end
end
