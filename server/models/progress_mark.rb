# frozen_string_literal: true

require_relative 'record'

module Fujin
  # A lesson whose kept progress something has changed; written by the database itself (KeptProgress works it out).
  class ProgressMark < Record
  end
end
