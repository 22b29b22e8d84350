# frozen_string_literal: true

module Fujin
  module Grading
    # Which number may be told of a change (OneChange), and when what was told has come true.
    module SureChange
      # Of what the change does: what a number that is told may be out by, and what of it the fit may be.
      SHARE = 0.25
      FITTED_SHARE = SHARE / 2.0

      module_function

      # Less than its uncertainty cannot be told from what gusts and hands do.
      # @param flown [Measure, nil] of the attempt
      # @param fitted [Float, nil] as the model that stands for the attempt flies it
      # @param mended [Float, nil] with the change
      def moved?(flown, fitted, mended) =
        flown&.value && fitted && mended ? (mended - fitted).abs > flown.uncertainty.to_f : false

      # Where the fitted flight has the number as it was flown.
      def as_flown?(flown, fitted, mended) =
        (fitted - flown.value).abs <= room(flown, mended - fitted, share: FITTED_SHARE)

      # What a number may be out by: its printed uncertainty, or a share of what the change does to it.
      # @param flown [Measure, nil], @param moved [Float]
      def room(flown, moved, share: SHARE) = [flown&.uncertainty.to_f, share * moved.abs].max
    end
  end
end
