# frozen_string_literal: true

module Fujin
  module Serialisers
    # What is printed beside a sign-off to find it again and to tell a copy from another: the beginning of its hash.
    module SignOffCode
      DIGITS = 16

      module_function

      # @return [String] such as '8F3A-22C1-90BD-7E41'
      def of(digest) = digest[0, DIGITS].upcase.scan(/.{4}/).join('-')

      # @param text [String] as somebody typed it
      # @return [String, nil] the beginning of the hash; nil when it is no code
      def read(text)
        digits = text.delete('- ').downcase
        digits if digits.match?(/\A\h{#{DIGITS}}\z/o)
      end
    end
  end
end
