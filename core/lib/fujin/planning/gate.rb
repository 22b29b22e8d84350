# frozen_string_literal: true

module Fujin
  module Planning
    # A point the attempt must pass with its numbers in band, or be broken off.
    # `measures` are {target:, low:, high:, unit:} by measure id; `text` says what to look at where no measure can.
    Gate = Value.define(:id, :height_ft, :along_ft, :measures, :text, defaults: { text: nil })
  end
end
