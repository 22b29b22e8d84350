# frozen_string_literal: true

require_relative 'record'

module Fujin
  # The one school this installation serves: its house method, readiness rule and signing key.
  class School < Record
    def self.current = first || raise(NotFound, 'The school is not set up: run bin/start once.')

    def house_method(*changes) = Planning::HouseMethod.new(changes.reduce(house) { |all, change| all.merge(change) })
    def readiness_rule = readiness.transform_keys(&:to_sym)

    # The counted blocks as this school has them.
    # @return [Array<Progress::Block>]
    def counted_blocks
      Progress::Block.usual.map { |block| block.set(**blocks.fetch(block.id, {}).transform_keys(&:to_sym)) }
    end
  end
end
