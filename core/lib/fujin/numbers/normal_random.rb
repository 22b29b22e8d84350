# frozen_string_literal: true

module Fujin
  # Random numbers with a normal distribution, from a seeded source.
  module NormalRandom
    # Mean 0, standard deviation 1 (G. E. P. Box and M. E. Muller, "A Note on the Generation of Random Normal Deviates",
    # Annals of Mathematical Statistics 29, 1958).
    # @param random [Random]
    def self.draw(random) = Math.sqrt(-2.0 * Math.log(1.0 - random.rand)) * Math.cos(2.0 * Math::PI * random.rand)
  end
end
