# frozen_string_literal: true

module Fujin
  # What the terminal says of the school: how to sign in, or how to set one up.
  module FirstWords
    def self.text
      school = School.first
      unless school
        return Text.of('no school yet. Open the address on this machine to set one up; from another machine the code ' \
          'is %{code}',
                       code: FirstSchool.code)
      end
      return school.name unless school.demo

      'sign in as ismay (chief instructor), corwin (instructor) or oda (student); the demo password is quillmere'
    end
  end
end
