# frozen_string_literal: true

# A recording as far as it has come at some moment, and what goes on there.
module CutOff
  # @param context [Fujin::Grading::Context] of the one exercise that is meant
  # @return [Fujin::Grading::Attempt, nil]
  def going_on(csv, at_s, context)
    head, *rows = csv.lines
    now = [head, *rows.take_while { |row| row.to_f <= at_s }].join
    open = Fujin::Lessons.context(conditions: context.conditions, wind: context.wind)
    exercise = Fujin::Lessons::Exercise.new(id: context.exercise, context: context)
    Fujin::Lessons::FlownExercises.new(signals_of(now, context.conditions, wind: context.wind), [exercise], open)
      .underway&.last
  end
end
