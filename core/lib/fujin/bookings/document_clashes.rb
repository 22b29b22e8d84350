# frozen_string_literal: true

module Fujin
  module Bookings
    # Documents that a booking needs in date: a solo flight its student's, every lesson its instructor's, a check its
    # examiner's. Several of one kind: the one that is good longest counts.
    class DocumentClashes
      def initialize(request, rules, day)
        @request = request
        @rules = rules
        @day = day
      end

      # @return [Array<Clash>]
      def to_a
        needs.flat_map { |party, act, done| kinds(act).filter_map { |kind| clash(party, kind, done) } }.uniq(&:text)
      end

      private

      def needs
        [
          *([[@request.student, 'solo', 'flies alone']] if @request.solo?),
          [@request.instructor, 'instruct', 'instructs'],
          *([[@request.examiner, 'examine', 'examines']] if @request.examiner)
        ]
      end

      def kinds(act) = DocumentKind.all.values.select { |kind| kind.blocks.include?(act) }

      def clash(party, kind, done)
        own = party.documents.select { |one| one.kind == kind && one.for_type?(@request.aircraft.type_id) }
        best = own.find { |one| one.valid_until.nil? && one.in_date?(@day) } || own.max_by { |one| latest(one) }
        return missing(party, kind, done) unless best
        return nil if best.state(@day) == :good

        told = { party: party.name, state: best.words(@day) }
        due = best.state(@day) == :due
        return Clash.new(id: 'document', level: 'note', text: Text.of('%{party}: %{state}.', **told)) if due

        Clash.new(id: 'document', level: 'limit',
                  text: Text.of('%{party}: %{state}, and %{done} only with it.', done: done, **told))
      end

      def latest(document) = [document.in_date?(@day) ? 1 : 0, document.valid_until || Date.new(9999)]

      def missing(party, kind, done)
        return nil unless @rules.required.include?(kind.id)

        Clash.new(id: 'document', level: 'limit',
                  text: Text.of('%{party} %{done} only with a %{kind}: none is on file.',
                                party: party.name, done: done, kind: kind.title.downcase))
      end
    end
  end
end
