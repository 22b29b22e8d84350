# frozen_string_literal: true

# What is done thing by thing (the plans of each manoeuvre, each kept flight, each view), and what is done as by hand in
# the browser, takes half of the time of all tests. `bin/test` does one in five of it, by lot, so that it is over in
# minutes and five runs see all of it; with `bin/test all`, which CI runs, and wherever a stage or a file is asked for,
# all is done.
#
#   class KeptPlansTest < Minitest::Test
#     extend ByLot
#     by_lot(/\Atest_plans_of_/)
module ByLot
  ONE_IN = 5
  # Said by a run that draws lots: a number under ONE_IN.
  LOT = 'FUJIN_LOT'

  # @param all [Enumerable]
  # @param lot [String, Integer, nil] nil: no lots are drawn
  # @return [Array] all of them, or every fifth; of few at least one
  def self.of(all, lot = ENV.fetch(LOT, nil))
    return all.to_a unless lot

    every = [ONE_IN, all.count].min
    all.each_with_index.filter_map { |one, i| one if i % every == Integer(lot) % every }
  end

  # @param names [Regexp, nil] of the tests that are one thing of many each; nil: none of them
  def by_lot(names) = @by_lot = names

  def runnable_methods
    drawn, always = super.partition { |name| @by_lot&.match?(name) }
    always + ByLot.of(drawn.sort)
  end
end
