# frozen_string_literal: true

module Fujin
  # What somebody who is invited reads.
  class InvitationLetter
    def initialize(person, link, school)
      @person = person
      @link = link
      @school = school
    end

    # @return [Array(String, String)] subject and text
    def to_a
      [
        Text.of('%{school}: choose your password', school: @school.name),
        Text.of(<<~TEXT, person: @person.name, school: @school.name, sign_in: @person.sign_in, link: @link)
          %{person},

          %{school} keeps its flight training in Fujin, and has a place for you there.
          Your sign-in name is %{sign_in}. Choose a password here; the link works once, and for 7 days:

          %{link}

          If you did not expect this, leave it: without the link nobody comes in.
        TEXT
      ]
    end
  end
end
