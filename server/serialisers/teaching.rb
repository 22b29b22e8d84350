# frozen_string_literal: true

module Fujin
  module Serialisers
    # What a candidate's attempt says of the teaching: the fault that was played, named and recorded, and the teaching
    # grades.
    class TeachingView
      # @param hidden [Boolean] the viewer has not named the fault yet
      def initialize(row, hidden:)
        @row = row
        @hidden = hidden
        @calls = row.fault_calls.to_a
      end

      def to_h
        named = @calls.reverse.find { |call| call.kind == 'named' }
        played = @calls.reverse.find { |call| call.kind == 'played' }
        {
          'choices' => @row.declaration.faults.map { |fault| { 'id' => fault.id, 'title' => fault.title } },
          'named' => call(named),
          'items' => items,
          **(
            @hidden ? {} : { 'played' => call(played), 'recorded' => recorded.map { |id| title(id) }, **verdict(named) }
          )
        }
      end

      private

      def recorded = @row.judged['faults']
      def title(id) = @row.declaration.fault(id)&.title || id

      def verdict(named)
        return {} unless named

        word = Progress::Teaching.verdict(named.fault, recorded)
        { 'verdict' => word, 'proposed_spotted' => Progress::Teaching::PROPOSED.fetch(word) }
      end

      def call(row)
        row &&
          {
            'fault' => row.fault,
            'title' => row.fault ? title(row.fault) : 'No fault',
            'cue' => row.cue,
            'by' => row.by.name,
            'created_at' => Serialisers.time(row.created_at)
          }
      end

      # Each with the last grade given, where one was.
      def items
        given = @row.grades.select { |grade| grade.kind == 'teaching' }.group_by(&:phase).transform_values(&:last)
        Progress::Teaching::ITEMS.map do |id, title|
          grade = @hidden ? nil : given[id]
          { 'id' => id, 'title' => title, 'grade' => grade&.grade, 'by' => grade&.by&.name }
        end
      end
    end
  end
end
