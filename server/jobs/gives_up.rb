# frozen_string_literal: true

module Fujin
  # A job that failed, by a fault of ours, as often as it may be tried says so in its row instead of leaving people
  # waiting. The job gives `work_row(id)`, whose status becomes 'failed', and `given_up`, what to tell them.
  module GivesUp
    def expire
      work_row(que_target.que_attrs.fetch(:args).first)&.update!(status: 'failed', error: given_up)
      super
    end
  end
end
