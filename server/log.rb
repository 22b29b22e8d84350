# frozen_string_literal: true

require 'semantic_logger'

# Where everything that runs here says what happened.
module Fujin
  def self.logger = SemanticLogger['Fujin']
end
