# frozen_string_literal: true

require_relative 'record'

module Fujin
  # A try at signing in. So many that failed within a while, by name or by address, and no more are looked at for as
  # long; a name that nobody has counts like one that somebody has.
  class SignInTry < Record
    WITHIN_S = 15 * 60
    MOST_BY_NAME = 10
    MOST_BY_ADDRESS = 50
    # Older ones say nothing to anybody.
    KEPT_S = 30 * 86_400

    # Too many that failed.
    class TooMany < StandardError
      def initialize
        super(Text.of('Too many tries that failed. Wait %{within_s} minutes, or ask the chief instructor for a new ' \
          'link.',
                      within_s: WITHIN_S / 60))
      end
    end

    scope :failed, -> { where(good: false) }

    class << self
      def digest(name) = Digest::SHA256.hexdigest("sign-in #{name.to_s.strip.downcase}")

      # @raise [TooMany]
      def check!(name, address, now: Time.now.utc)
        by_name = since_last_good(digest(name), now)
        by_address = failed.where(address: address, at: (now - WITHIN_S)..).count
        raise TooMany if by_name >= MOST_BY_NAME || by_address >= MOST_BY_ADDRESS
      end

      def note(name, address, good, now: Time.now.utc)
        where(at: ..(now - KEPT_S)).delete_all if good
        create!(name_digest: digest(name), address: address, good: good, at: now)
      end

      private

      # Whoever got in has shown that the tries before were theirs, or else they see them on their own page.
      def since_last_good(mark, now)
        last = where(name_digest: mark, good: true).maximum(:at)
        failed.where(name_digest: mark, at: [now - WITHIN_S, last].compact.max..).count
      end
    end
  end
end
