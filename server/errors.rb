# frozen_string_literal: true

module Fujin
  # What a request can be refused for; the web edge turns each class into a status.
  class NotSignedIn < StandardError; end
  class NotAllowed < StandardError; end
  class NotFound < StandardError; end

  # The record was changed by somebody else in between.
  class Stale < StandardError
    attr_reader :current_version

    def initialize(current_version)
      @current_version = current_version
      super('It was changed elsewhere in the meantime. Your change was not stored: read it again, then repeat it.')
    end
  end

  # More at once than is fair to everybody else.
  class TooMuch < StandardError; end

  # A request that makes no sense in the record's present state.
  class Conflict < StandardError; end
end
