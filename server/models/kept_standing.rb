# frozen_string_literal: true

require_relative 'record'

module Fujin
  # Where a student stands, kept: in each manoeuvre, in each counted block, and how fast power losses were answered.
  class KeptStanding < Record
    self.table_name = 'student_records'
    self.primary_key = 'student_id'

    # @return [Hash] what Keeping.standing gave, as it is kept
    def kept = fields('standings', 'blocks', 'reactions', 'unanswered')

    # @param manoeuvres [Array<String>] that the student is signed off for
    # @return [Array<Hash>] the API's standings
    def with_sign_offs(manoeuvres)
      standings.map { |one| one.merge('signed_off' => manoeuvres.include?(one['manoeuvre'])) }
    end

    # @return [Array<String>] ids of the manoeuvres that were flown
    def manoeuvres = standings.map { |one| one['manoeuvre'] }

    # @return [Array<Progress::BlockCount>] of the school's blocks
    def counts
      School.current.counted_blocks.map do |block|
        Progress::BlockCount.new(block, **blocks.fetch(block.id).transform_keys(&:to_sym))
      end
    end

    # What the next lesson could be.
    # @param kinds [Array<String>] of aircraft that this student flies
    # @param signed [Array<String>] manoeuvres that are signed off
    # @return [Array<Progress::NextLesson::Advice>]
    def advice(kinds:, signed:, today:)
      declared = Catalogue.all.select { |one| one.kinds.intersect?(kinds) }
      Progress::NextLesson.new(declared, stands, signed: signed, today: today, blocks: counts).advice
    end

    private

    def stands
      standings.to_h do |one|
        last = one['last_flown']
        [one['manoeuvre'], Progress::Stands.new(**one.slice('level', 'weakest_phase', 'stuck').transform_keys(&:to_sym),
                                                last_flown: last && Date.iso8601(last))]
      end
    end
  end
end
