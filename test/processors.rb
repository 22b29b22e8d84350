# frozen_string_literal: true

# What the processors of this machine did meanwhile. A virtual machine is given less than it asks for when its
# neighbours work: how long something took says little then, how much it used still does.
module Processors
  FILE = '/proc/stat'
  # The first line's columns (proc(5)), hundredths of a second; what guests used is in the first two.
  USED = [0, 1, 2, 5, 6].freeze
  TAKEN = 7
  TICK_S = 0.01

  module_function

  # @return [Array(Float, Float), nil] seconds used and seconds taken by others since the machine began; nil: not told
  def now(file = FILE)
    ticks = File.foreach(file).first.split.drop(1).map { |one| one.to_i * TICK_S }
    [USED.sum { |place| ticks.fetch(place) }, ticks.fetch(TAKEN)]
  rescue SystemCallError, IndexError
    nil
  end

  # @return [String] for behind a duration; empty where nothing is told
  def told(before, after)
    return '' unless before && after

    used, taken = after.zip(before).map { |a, b| a - b }
    format(' (%.0f s of processors were used, %.0f s were taken by other machines)', used, taken)
  end
end
