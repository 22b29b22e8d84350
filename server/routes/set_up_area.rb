# frozen_string_literal: true

module Fujin
  # The first page of an installation that has no school yet.
  class SetUpArea < Area
    # @raise [Conflict] when there is a school already
    post_route '/api/set-up' do
      FirstSchool.check!(body_json['code'], here: here?)
      chief = FirstSchool.new(body_json).found
      begin_session(chief)
      json(session_body, status: 201)
    end
  end
end
