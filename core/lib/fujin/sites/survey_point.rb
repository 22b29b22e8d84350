# frozen_string_literal: true

module Fujin
  module Sites
    # One question of the survey and its answer, 'seen', 'not_there' or 'open', with the pass it was answered from.
    SurveyPoint = Value.define(:id, :group, :about, :status, :pass, :note)
  end
end
