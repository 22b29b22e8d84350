# frozen_string_literal: true

module Fujin
  # Rows. Rules of the job stay in the core; these only know their tables and each other.
  class Record < ActiveRecord::Base
    self.abstract_class = true
    self.record_timestamps = true
  end
end
