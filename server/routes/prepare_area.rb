# frozen_string_literal: true

module Fujin
  # What Prepare asks beyond the plan: dispersion, brief sheet, weather, aircraft types and their curves.
  class PrepareArea < Area
    post_route '/api/sorties/:id/dispersions' do
      sortie = find_sortie
      exercise = sortie.exercise(params['exercise'])
      question = DispersionQuestion.new(sortie, body_json, exercise)
      question.check!
      row =
        DispersionRow.create_or_find_by!(exercise: exercise, question: question.digest) do |fresh|
          fresh.assign_attributes(sortie: sortie, tried: body_json)
        end
      fresh = row.previously_new_record? || row.status == 'failed'
      DispersionRow.transaction { Disperse.for(row, current_person) } if fresh
      json(Serialisers.dispersion(row, wanted: Disperse::RUNS), status: 202)
    end

    get_route '/api/dispersions/:id' do
      row = DispersionRow.find(params['id'])
      own!(row.sortie.student_id)
      json(Serialisers.dispersion(row, wanted: Disperse::RUNS))
    end

    get_route '/api/sorties/:id/brief' do
      sortie = find_sortie
      content_type 'application/pdf'
      headers 'Content-Disposition' =>
                %(inline; filename="brief-#{sortie.starts_at.utc.strftime('%Y%m%d')}-#{sortie.manoeuvres.first}.pdf")
      said = ExerciseSaid.new(sortie)
      lesson = LessonSetting.new(sortie)
      BriefSheet.new(sortie, lesson.plans, said: said.method(:lines), sites: lesson.sites,
                                           mark: PrintMark.of(School.current, Chain.anchor)).render
    end

    get_route('/api/weather') do
      school = School.current
      seen = WeatherStation.new(school.station).latest(refresh: params['refresh'] == 'true')
      values = seen['report']&.fetch('values')
      json(seen.merge('stages' => values ? StageMinima.new(school.booking_rules).of(values) : []))
    end

    get_route('/api/types') { json(TypeStore.all.map { |type| Serialisers.type_row(type) }) }

    get_route('/api/types/:id') do
      json(Serialisers.type(TypeStore.find(params['id']), TypeStore.history(params['id'])))
    end

    get_route '/api/types/:id/curves' do
      day = %w[elevation_ft oat_c qnh_hpa].filter_map { |name| params[name] && [name.to_sym, params[name].to_f] }.to_h
      conditions = Planning::Conditions.build(type: TypeStore.find(params['id']), **day)
      json({ 'density_altitude_ft' => Serialisers.number(conditions.atmosphere.density_altitude_m / Quantities::FT, 0),
             'charts' => Planning::TypeCurves.new(conditions).charts.map { |chart| Serialisers.chart(chart) } })
    end

    post_route '/api/types' do
      type = TypeStore.add(type_data, by: current_person, reason: body_json['reason'])
      json(Serialisers.type(type, TypeStore.history(type.id)), status: 201)
    end

    get_route('/api/aircraft/:id/power-card') { json(PowerCard.new(AircraftRow.find(params['id'])).to_h) }

    post_route '/api/sorties/:id/from-here' do
      sortie = find_sortie
      json(FromHereQuestion.new(SortieSetting.new(sortie, {}, sortie.exercise(params['exercise'])), body_json).to_h)
    end

    get_route '/api/sorties/:id/power-card' do
      sortie = find_sortie
      json(PowerCard.new(sortie.aircraft, SortieSetting.new(sortie, {}, sortie.exercise(params['exercise']))).to_h)
    end

    get_route('/api/people/me/house') { json(Serialisers.house(School.current, own: current_person.house)) }

    put_route '/api/people/me/house' do
      Planning::HouseMethod.new(body_json.fetch('values'))
      current_person.update!(house: body_json['values'])
      json(Serialisers.house(School.current, own: current_person.house))
    end

    helpers do
      # A type as a form's fields or as the text of a type file.
      def type_data
        return body_json['data'] if body_json['data']

        TypeStore.read(body_json.fetch('file'))
      end
    end
  end
end
