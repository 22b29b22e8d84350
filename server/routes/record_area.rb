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

    # Which of the school's sign-offs a printed code belongs to.
    get_route '/api/sign-offs' do
      hash = Serialisers::SignOffCode.read(params['code']) or raise InvalidInput, [
        { path: 'code', message: 'a code has 16 letters A to F and digits, such as 8F3A-22C1-90BD-7E41' }
      ]
      links = ChainLink.where.not(sign_off_id: nil).where('starts_with(document_hash, ?)', hash)
      json({ 'items' => links.includes(:sign_off).map { |link| Serialisers.sign_off(link.sign_off) } })
    end

    get_route '/api/sign-offs/withdrawn' do
      attachment 'withdrawn-sign-offs.json'
      json(Chain.withdrawn(now: Time.now.utc))
    end

    get_route '/api/sign-offs/:id' do
      row = find_sign_off
      json(Serialisers.sign_off(row, broken: ChainReading.fault_of(row.link)))
    end

    get_route '/api/sign-offs/:id/document' do
      row = find_sign_off
      attachment "sign-off-#{row.id[0, 8]}.json"
      json(row.parsed)
    end

    get_route '/api/sign-offs/:id/sheet' do
      row = find_sign_off
      content_type 'application/pdf'
      headers 'Content-Disposition' => %(inline; filename="sign-off-#{row.id[0, 8]}.pdf")
      SignOffSheet.new(Serialisers.sign_off(row, broken: ChainReading.fault_of(row.link)),
                       school: School.current.name, mark: PrintMark.of(School.current, Chain.anchor)).render
    end

    post_route '/api/sign-offs/:id/withdrawal' do
      row = Withdrawing.new(find_sign_off, current_person).withdraw(id: body_json['id'], reason: body_json['reason'])
      json(Serialisers.sign_off(row))
    end

    helpers do
      def find_sign_off
        row = SignOff.find(params['id'])
        own!(row.student_id)
        return row if row.link

        raise Conflict, 'This sign-off was never signed: it stands in the database, and nothing in the chain is of ' \
          'it. ' \
          'It is worth nothing. Tell the chief instructor.'
      end
    end
  end
end
