# frozen_string_literal: true

module Fujin
  # What is said of an exercise beside its plan: who has what, whether it is to be a surprise, how far its counted
  # blocks are.
  class ExerciseSaid
    # @param sortie [Sortie]
    def initialize(sortie)
      @sortie = sortie
      @counted = CountedLines.new(sortie)
    end

    # @param exercise [Exercise]
    # @return [Array<String>] a sentence each
    def lines(exercise) = [secret(exercise), part(exercise), *counted(exercise)].compact

    # @return [Array<String>]
    def counted(exercise) = @counted.of(exercise)

    # Of a part-task, who has what, and what is judged of it; nil of the whole.
    # @return [Hash, nil]
    def hands(exercise)
      return nil if exercise.task == 'whole'

      { 'text' => Grading::PartTask.sentence(exercise.task, @sortie.aircraft.type.kind),
        'judged' => judged(exercise).map { |id| Glossary.measure(id, exercise.manoeuvre).label }.uniq }
    end

    private

    # Of the phases that the house's way of ending it has.
    def judged(exercise)
      declared = exercise.declaration
      ending = SortieSetting.new(@sortie, {}, exercise).house['ending']
      declared.measures.slice(*declared.phases_for(ending)).values.flatten.select do |id|
        Grading::PartTask.judges?(exercise.task, id) && declared.judges?(id)
      end
    end

    def secret(exercise) = exercise.surprise && Text.of('For the instructor only. A surprise: %{surprise}.',
                                                        surprise: exercise.surprise)

    def part(exercise)
      said = hands(exercise) or return nil
      Text.of('%{who} Judged: %{measures}.', who: said['text'], measures: Text.list(said['judged']).downcase)
    end
  end
end
