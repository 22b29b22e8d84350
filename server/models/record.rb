# frozen_string_literal: true

module Fujin
  # Rows. Rules of the job stay in the core; these only know their tables and each other.
  class Record < ActiveRecord::Base
    self.abstract_class = true
    self.record_timestamps = true

    # Some columns as they are told; the others, documents of a kilobyte among them, are not looked at.
    # @return [Hash{String => Object}]
    def fields(*names) = names.to_h { |name| [name, self[name]] }
  end
end
