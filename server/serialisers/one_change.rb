# frozen_string_literal: true

module Fujin
  module Serialisers
    module_function

    # What one change would have done, in words and numbers.
    # @param answer [Grading::OneChange::Answer], @param manoeuvre [Catalogue::Declaration]
    # @param flown [Hash{String => Float}] the attempt's own values by measure
    # @return [Hash] the API's OneChange without its pictures, and `one_change` of `grade --one-change`
    def one_change(answer, manoeuvre, flown)
      {
        'fault' => answer.fault,
        'title' => manoeuvre.fault(answer.fault)&.title,
        'claimed' => answer.claimed?,
        'reason' => answer.reason,
        'change' => answer.change,
        'fit' => answer.fit&.transform_keys(&:to_s)&.transform_values { |off| number(off, 1) },
        'numbers' => answer.claimed? ? answer.told.filter_map { |id| changed(answer, manoeuvre, id, flown[id]) } : []
      }
    end

    # A number as flown, as the fitted model flies it, and with the one change.
    def changed(answer, manoeuvre, id, flown)
      before = answer.fitted.value(id)
      after = answer.mended.value(id)
      return nil unless before && after

      words = Glossary.measure(id, manoeuvre.id)
      {
        'measure' => id,
        'label' => words.label,
        'unit' => words.unit,
        'digits' => words.digits,
        'flown' => number(flown),
        'fitted' => number(before),
        'mended' => number(after)
      }
    end
  end
end
