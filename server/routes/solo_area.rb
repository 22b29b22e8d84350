# frozen_string_literal: true

module Fujin
  # Flying alone: what is missing, what is allowed. And the log of what was flown.
  class SoloArea < Area
    get_route '/api/students/:id/solo' do
      own!(params['id'])
      json(SoloView.new(Person.find(params['id']), current_person).to_h)
    end

    post_route '/api/students/:id/solo' do
      student = Person.find(params['id'])
      SoloSigning.new(student, current_person).give(body_json)
      json(SoloView.new(student, current_person).to_h, status: 201)
    end

    post_route '/api/solo-authorities/:id/withdrawal' do
      row = SoloAuthority.find(params['id'])
      SoloSigning.new(row.student, current_person).withdraw(row, id: body_json['id'], reason: body_json['reason'])
      json(SoloView.new(row.student, current_person).to_h)
    end

    get_route '/api/solo-authorities/:id/document' do
      row = SoloAuthority.find(params['id'])
      own!(row.student_id)
      attachment "solo-authority-#{row.id[0, 8]}.json"
      json(row.link.parsed)
    end

    get_route('/api/people/:id/log') { json(FlightLog.new(logged).to_h) }

    get_route '/api/people/:id/log.csv' do
      person = logged
      content_type 'text/csv', charset: 'utf-8'
      headers 'Content-Disposition' => %(attachment; filename="log-#{person.sign_in}.csv")
      FlightLog.new(person).csv
    end

    get_route('/api/sorties/:id/flight-time') { json(FlightTimeProposed.new(find_sortie).to_h) }

    get_route '/api/sorties/:id/solo-card' do
      sortie = find_sortie
      json(SoloCard.new(sortie, sortie.exercise(params['exercise'])).to_h)
    end

    # What was wrong about a lesson is set right: everything is measured again, the old values stay in the audit log.
    put_route '/api/sorties/:id/correction' do
      sortie = find_sortie
      match_version!(sortie)
      own_lesson!(sortie)
      LessonCorrection.new(sortie, current_person).make(body_json.except('why'), body_json['why']) do |corrected|
        MeasureAgain.of(corrected, current_person)
      end
      versioned(sortie)
      json(SortieView.new(sortie.reload, current_person).to_h)
    end

    helpers do
      def logged
        own!(params['id'])
        Person.find(params['id'])
      end

      def own_lesson!(sortie)
        return if current_person.chief? || sortie.instructor_id == current_person.id

        raise NotAllowed, Text.of('%{instructor} or the chief instructor sets this lesson right.',
                                  instructor: sortie.instructor.name)
      end
    end
  end
end
