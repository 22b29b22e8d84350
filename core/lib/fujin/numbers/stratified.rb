# frozen_string_literal: true

require 'zlib'

module Fujin
  # Normal deviates for a few tries in which every source of error takes the same eight values, each in an order of its
  # own: what one source does to the result then shows with its right size in so few tries (Latin hypercube sampling,
  # M. D. McKay, R. J. Beckman and W. J. Conover, Technometrics 21, 1979).
  class Stratified
    TRIES = 8
    # The middles of eight equally likely parts of a normal distribution, stretched to a standard deviation of 1.
    DEVIATES = [-1.5557, -0.8998, -0.4958, -0.1595, 0.1595, 0.4958, 0.8998, 1.5557].freeze

    # @param try [Integer] 0 to 7
    def initialize(try)
      @try = try
      freeze
    end

    # @param source [Symbol, String] what is in error
    # @return [Float]
    def deviate(source) = self.class.order(source.to_s)[@try]

    def self.order(source)
      @orders ||= {}
      @orders[source] ||= DEVIATES.shuffle(random: Random.new(Zlib.crc32(source))).freeze
    end
  end
end
