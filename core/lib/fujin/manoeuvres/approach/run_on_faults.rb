# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Approach
      # Faults of a run-on landing: those of its approach, the cap of the exercise, and the contact.
      class RunOnFaults < Faults
        include Grading::ContactFaults
      end
    end
  end
end
