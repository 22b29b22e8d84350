# frozen_string_literal: true

module Fujin
  module Solo
    # Whether a student may be sent alone, as a list with what is missing. It proposes nothing: the instructor decides.
    class Readiness
      # A ride with another instructor says something for so long, days. Chosen.
      RIDE_DAYS = 90

      attr_reader :conditions

      # @param needed [Needed]
      # @param met [Array<String>] manoeuvres signed off, or with every condition for it met
      # @param blocks [Array<Progress::BlockCount>] counted blocks that a solo of this kind of aircraft waits for
      # @param rides [Hash{String => Date}] the last lesson with each instructor, by name
      # @param usual [String, nil] the name of the instructor who teaches this student
      # @param documents [Array<Bookings::Document>] the student's
      # @param required [Array<String>] ids of the kinds that must be on file
      # @param today [Date]
      def initialize(needed:, met:, blocks:, rides:, usual:, documents:, required:, today:)
        @met = met
        @today = today
        @conditions = [
          *needed.manoeuvres.map { |id| shown(id, 'manoeuvre') },
          *needed.emergencies.map { |id| shown(id, 'emergency') },
          *blocks.map { |count| with_id(count.condition, 'block') },
          ride(rides, usual),
          *papers(documents, required)
        ].freeze
        freeze
      end

      def ready? = conditions.all?(&:met)
      def missing = conditions.reject(&:met)

      private

      def condition(id, met, text) = Progress::Condition.new(id: id, met: met, text: text)
      def with_id(condition, id) = condition.with(id: id)

      def shown(id, kind)
        done = @met.include?(id)
        title = Text.of(Catalogue.find(id).title)
        condition(kind, done, done ? title : Text.of('%{title}: not shown to standard yet', title: title))
      end

      # Somebody else has seen the student fly, lately.
      def ride(rides, usual)
        other = rides.reject do |name, _|
          name == usual
        end.select { |_, day| (@today - day).to_i <= RIDE_DAYS }.max_by(&:last)
        unless other
          return condition('ride', false, Text.of('No ride with a second instructor in the last %{ride_days} days',
                                                  ride_days: RIDE_DAYS))
        end

        condition('ride', true, Text.of('Ride with %{instructor} on %{day}',
                                        instructor: other.first, day: Text.day(other.last)))
      end

      def papers(documents, required)
        Bookings::DocumentKind.all.values.select { |kind| kind.blocks.include?('solo') }.filter_map do |kind|
          own = documents.select { |one| one.kind == kind }
          next paper_missing(kind) if own.empty? && required.include?(kind.id)
          next if own.empty?

          best = own.find { |one| one.in_date?(@today) } || own.last
          condition('document', best.in_date?(@today), best.words(@today))
        end
      end

      def paper_missing(kind) = condition('document', false, Text.of('%{kind}: none on file', kind: kind.title))
    end
  end
end
