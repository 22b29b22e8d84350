# frozen_string_literal: true

module Fujin
  # Sign-offs: made, shown, exported, withdrawn; never edited.
  class RecordArea < Area
    post_route '/api/sign-offs' do
      student = Person.students.find(body_json['student_id'])
      signed =
        Signing.new(student, body_json['manoeuvre'], current_person).sign(
          id: body_json['id'],
          remark: body_json['remark']
        )
      json(Serialisers.sign_off(signed), status: 201)
    end

    get_route('/api/sign-offs/:id') { json(Serialisers.sign_off(find_sign_off)) }

    get_route '/api/sign-offs/:id/document' do
      row = find_sign_off
      attachment "sign-off-#{row.id[0, 8]}.json"
      json(row.parsed)
    end

    post_route '/api/sign-offs/:id/withdrawal' do
      row = find_sign_off
      unless row.withdrawal
        SignOffWithdrawal.create!(
          id: body_json['id'],
          sign_off: row,
          by: current_person,
          reason: body_json['reason'],
          created_at: Time.now.utc
        )
      end
      json(Serialisers.sign_off(row.reload))
    end

    helpers do
      def find_sign_off
        row = SignOff.find(params['id'])
        own!(row.student_id)
        row
      end
    end
  end
end
