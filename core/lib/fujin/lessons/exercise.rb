# frozen_string_literal: true

module Fujin
  module Lessons
    # One exercise of a lesson: what it is measured against (its manoeuvre, plan, place and method are the context's)
    # and how many attempts were meant; which version of its plan this is.
    Exercise = Value.define(:id, :context, :planned_count, :plan_version,
                            defaults: { planned_count: nil, plan_version: 0 }) do
      def manoeuvre = context.exercise
      def declaration = context.catalogue.find(manoeuvre)

      # @return [Planning::Plan, nil] what it is held to, worked out once; nil where the day gives none
      def plan
        context.plan_of(declaration)
      rescue OutsideModel, InvalidInput
        nil
      end
    end
  end
end
