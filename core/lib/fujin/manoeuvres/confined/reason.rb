# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # What decides about a site or a line: whose it is, which number, what it is and what was wanted; and in words.
      Reason =
        Value.define(:id, :number, :value, :limit, defaults: { id: nil, value: nil, limit: nil }) do
          self::WORDS = YAML.safe_load_file("#{__dir__}/reasons.yml").freeze
          # The site's own need no name before them.
          self::NAMELESS = ['site', 'wind', 'spot', 'approach', 'departure', nil].freeze

          # A digit behind the point; more where only they tell what it is from what was wanted.
          self::DIGITS = (1..4)

          # Without whose it is.
          def text = Text.of(self.class::WORDS.fetch(number), value: shown(value), limit: shown(limit))

          # A whole clause: 'wire south: still open'.
          def clause
            return text if self.class::NAMELESS.include?(id)

            Text.of('%{what}: %{told}', what: Sites::Spoken.of(id), told: text)
          end

          private

          def shown(told)
            return Sites::Spoken.of(told.to_s) unless told.is_a?(Numeric)

            told.round(digits).to_s.delete_suffix('.0')
          end

          # What is over a limit is never said to be the limit.
          def digits
            return self.class::DIGITS.first unless [value, limit].all?(Numeric)

            self.class::DIGITS.find { |count| value.round(count) != limit.round(count) } || self.class::DIGITS.first
          end
        end
    end
  end
end
