# frozen_string_literal: true

require_relative 'record'

module Fujin
  # What a device's own headings mean, by the header row they come in.
  class HeadingMapping < Record
    belongs_to :by, class_name: 'Fujin::Person'

    # @return [Recordings::Headings, nil] what was told of this file's headings
    def self.for(bytes)
      titles = Recordings.titles(bytes)
      row = titles && find_by(signature: Recordings::Headings.signature(titles))
      row && Recordings::Headings.new(row.columns)
    end
  end
end
