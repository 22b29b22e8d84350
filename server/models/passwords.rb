# frozen_string_literal: true

module Fujin
  # What a password must be to be taken.
  module Passwords
    LEAST = 10
    KNOWN = File.readlines(File.join(Settings::ROOT, 'core', 'data', 'known_passwords.txt'), chomp: true).to_set.freeze

    module_function

    # @param person [Person] whose name must not be all of it
    # @raise [InvalidInput]
    def check!(text, person, field: 'password')
      said = trouble(text.to_s, person)
      raise InvalidInput, [{ path: field, message: said }] if said
    end

    def trouble(text, person)
      return Text.of('expected at least %{least} characters', least: LEAST) if text.length < LEAST

      plain = text.downcase.gsub(/[^a-z0-9]/, '')
      return 'this one stands in lists of known passwords: choose another' if KNOWN.intersect?([text.downcase, plain])
      return 'it repeats itself: choose another' if text.chars.uniq.size < 5

      own = [person.sign_in, *person.name.to_s.downcase.split].reject { |word| word.length < 3 }
      left = own.reduce(plain) { |rest, word| rest.gsub(word.gsub(/[^a-z0-9]/, ''), '') }
      'it is little more than your name: choose another' if left.length < 5
    end
  end
end
