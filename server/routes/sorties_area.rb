# frozen_string_literal: true

module Fujin
  # Sorties: planning, the cockpit's taps.
  class SortiesArea < Area
    post_route '/api/sorties' do
      fields = body_json
      existing = Sortie.find_by(id: fields['id'])
      next json(SortieView.new(existing, current_person).to_h, status: 201) if existing

      manoeuvre = Catalogue.find(fields['manoeuvre'])
      student = Person.students.find(fields['student_id'])
      aircraft = AircraftRow.find(fields['aircraft_id'])
      unless manoeuvre.for?(aircraft.type)
        raise Conflict, Text.of('%{manoeuvre} is not flown in a %{type}.',
                                manoeuvre: manoeuvre.title, type: aircraft.type.kind)
      end

      taken = BookingWorld.new(School.current).taken(student: student, instructor: current_person, aircraft: aircraft,
                                                     from: Time.iso8601(fields['starts_at']))
      raise Conflict, taken if taken

      sortie =
        Sortie.plan!(
          id: fields['id'],
          student: student,
          instructor: current_person,
          aircraft: aircraft,
          starts_at: fields['starts_at'],
          manoeuvre: fields['manoeuvre'],
          planned_count: fields['planned_count'],
          stage: student.stage,
          fuel_kg: aircraft.type.optional('fuel.full_kg', 60) * 0.6,
          **LessonPlan.place_for(student)
        )
      answer_lesson(sortie, 201)
    end

    get_route('/api/sorties/:id') { answer_lesson(find_sortie(among: Sortie.with_crew)) }

    patch_route '/api/sorties/:id' do
      sortie = find_sortie
      match_version!(sortie)
      change_lesson(sortie, sortie.exercise(params['exercise']), body_json)
      answer_lesson(sortie)
    end

    post_route '/api/sorties/:id/plan' do
      sortie = find_sortie
      setting = SortieSetting.new(sortie, body_json, sortie.exercise(params['exercise']))
      plan = setting.plan
      json(Serialisers.plan(plan).merge('ground' => GroundSeen.new(setting.exercise.spot, plan.course_deg).to_a))
    end

    # A colleague teaches it too.
    post_route '/api/sorties/:id/colleagues' do
      sortie = find_sortie
      person = Person.present.where(role: Person::INSTRUCTORS).find(body_json['person_id'])
      unless sortie.taught_by?(person)
        Colleague.create!(sortie: sortie, person: person, by: current_person, created_at: Time.now.utc)
        AuditEntry.note('colleague added', sortie, by: current_person, became: { 'colleague' => person.name })
      end
      answer_lesson(sortie.reload)
    end

    delete_route '/api/sorties/:id/colleagues/:person' do
      sortie = find_sortie
      row = sortie.colleagues.find { |one| one.person_id == params['person'] }
      if row
        row.destroy!
        AuditEntry.note('colleague taken off', sortie, by: current_person, was: { 'colleague' => row.person.name })
      end
      answer_lesson(sortie.reload)
    end

    post_route '/api/sorties/:id/exercises' do
      sortie = find_sortie
      Sortie.transaction do
        LessonPlan.new(sortie).add(body_json)
        SoloLesson.new(sortie.reload).recall(current_person)
      end
      answer_lesson(sortie, 201)
    end

    put_route '/api/sorties/:id/exercises' do
      sortie = find_sortie
      LessonPlan.new(sortie).order(body_json.fetch('order'))
      answer_lesson(sortie.reload)
    end

    delete_route '/api/exercises/:id' do
      exercise = Exercise.find(params['id'])
      LessonPlan.new(exercise.sortie).remove(exercise)
      answer_lesson(Sortie.find(exercise.sortie_id))
    end

    # The spot is where an attempt ended; everything flown at the exercise is measured again.
    put_route '/api/exercises/:id/spot' do
      exercise = Exercise.find(params['id'])
      name, lat, lon = body_json['attempt_id'] ? where_it_ended(exercise) : beside_the_spot(exercise)
      change_lesson(exercise.sortie, exercise,
                    { 'spot_name' => body_json['name'] || name, 'spot_lat_deg' => lat, 'spot_lon_deg' => lon })
      answer_lesson(exercise.sortie.reload)
    end

    # The exercise leads to a site; without one it leads to a place again.
    put_route '/api/exercises/:id/site' do
      exercise = Exercise.find(params['id'])
      site = body_json['site_id'] && SiteRow.find(body_json['site_id'])
      changes = if site
                  SiteTaken.new(exercise, site,
                                body_json['line']).changes
                else
                  { 'site_id' => nil, 'site_line' => nil }
                end
      change_lesson(exercise.sortie, exercise, changes)
      answer_lesson(exercise.sortie.reload)
    end

    get_route('/api/sorties/:id/offers') { json(ExerciseOffers.new(find_sortie).to_a) }

    # This lesson's exercises, kept to be taken again.
    post_route '/api/sorties/:id/template' do
      sortie = find_sortie
      exercises = sortie.exercises.map { |exercise| exercise.fields(*LessonTemplate::KEPT) }
      unless LessonTemplate.exists?(id: body_json['id'])
        named_once('lesson', body_json['title'], ': give it another name.') do
          LessonTemplate.create!(body_json.slice('id', 'title', 'reason')
            .merge('exercises' => exercises, 'by' => current_person, 'created_at' => Time.now.utc))
        end
      end
      json(ExerciseOffers.new(sortie).to_a, status: 201)
    end

    delete_route '/api/templates/:id' do
      template = LessonTemplate.find(params['id'])
      unless template.by_id == current_person.id || current_person.role == 'chief_instructor'
        raise NotAllowed, Text.of('%{by} keeps this lesson: they or the chief instructor can drop it.',
                                  by: template.by.name)
      end

      template.destroy!
      halt 204
    end

    get_route('/api/sorties/:id/events') { json(ShownTaps.new(find_sortie, current_person).to_a) }

    post_route '/api/sorties/:id/events' do
      sortie = find_sortie
      TapsTaken.new(sortie, current_person).take(body_json.fetch('events'))
      json(ShownTaps.new(sortie.reload, current_person).to_a)
    end

    # What an exercise's site asks for on the lesson's day, for the cockpit.
    get_route '/api/exercises/:id/site' do
      exercise = Exercise.find(params['id'])
      own!(exercise.sortie.student_id)
      report = SortieSetting.new(exercise.sortie, {}, exercise).site_report or
        raise NotFound, 'This exercise leads to no site.'
      json(Serialisers.site_gates(report, exercise.site_line))
    end

    helpers do
      def answer_lesson(sortie, status = 200)
        versioned(sortie)
        json(SortieView.new(sortie, current_person).to_h, status: status)
      end

      # A change that no plan could be made of is refused before it is stored. What is an exercise's goes to that one.
      def change_lesson(sortie, exercise, changed)
        setting = SortieSetting.new(sortie, changed, exercise)
        check_kind(sortie, setting.type) if changed['aircraft_id']
        setting.house
        setting.wind
        setting.conditions
        Planning::Settings.read(setting.declaration.settings, changed['settings'] || {})
        check_measures(setting.declaration, changed['not_judged'] || [])
        LessonPlan.new(sortie).check_surprise(exercise) if changed['surprise']
        check_times(sortie, changed)
        check_solo(sortie, changed)
        own, day = changed.partition { |name, _| Exercise::FIELDS.include?(name) }.map(&:to_h)
        Sortie.transaction do
          exercise.update!(own)
          day.empty? ? sortie.touch : sortie.update!(day)
          note_change(sortie, exercise)
          SoloLesson.new(sortie.reload).recall(current_person)
          MeasureAgain.of(sortie, current_person)
        end
      end

      # What is planned is flown in the other aircraft too.
      def check_kind(sortie, type)
        wrong = sortie.exercises.map(&:declaration).reject { |one| one.for?(type) }
        return if wrong.empty?

        raise Conflict, Text.of('%{wrong}: not flown in a %{type}. Choose another aircraft, or change the exercises ' \
          'first.',
                                wrong: Text.list(wrong.map(&:title).uniq), type: type.kind)
      end

      def where_it_ended(exercise)
        attempt = AttemptRow.find_by!(id: body_json['attempt_id'], sortie_id: exercise.sortie_id)
        place = RecutAttempt.new(exercise.sortie, attempt.recording, by: current_person).ended_at(attempt)
        raise Conflict, 'This recording has no positions: the spot stays where it was.' unless place

        [Text.of('Where attempt %{position} ended', position: attempt.position + 1), *place]
      end

      # As it was dragged over the ground view: feet along and right of the course that is drawn.
      def beside_the_spot(exercise)
        along, across, course = body_json.values_at('along_ft', 'across_ft', 'course_deg')
        unless along && across && course
          raise InvalidInput, [{ path: 'along_ft', message: 'expected an attempt, or feet along and across a course' }]
        end

        north, east = LocalMap.from_along_across(along * Quantities::FT, across * Quantities::FT, course)
        near = exercise.spot_name.delete_prefix('Near ')
        [Text.of('Near %{near}', near: near)[0, 80], *LocalMap.new(*exercise.spot).lat_lon(north, east)]
      end

      def moment(value) = value.is_a?(String) ? Time.iso8601(value) : value

      def check_measures(declared, ids)
        unknown = ids - declared.measure_ids
        return if unknown.empty?

        raise InvalidInput,
              [{ path: 'not_judged', message: Text.of('%{declared} does not measure %{unknown}',
                                                      declared: declared.title, unknown: unknown.join(', ')) }]
      end

      # What was flown already is measured by other numbers now: what stood there is kept.
      def note_change(sortie, exercise)
        AuditEntry.note_changes('flight time entered', sortie, %w[off_at on_at], by: current_person)
        return unless sortie.attempts.exists?

        AuditEntry.note_changes('lesson changed after the flight', sortie, Sortie::MEASURED, by: current_person)
        changed = exercise.saved_changes.slice(*Exercise::MEASURED)
        return if changed.empty?

        AuditEntry.note("#{exercise.declaration.title.downcase} changed after the flight", sortie,
                        by: current_person, was: changed.transform_values(&:first),
                        became: changed.transform_values(&:last))
      end

      # Nobody is sent alone outside what was signed, but by the chief instructor, who says why.
      def check_solo(sortie, changed)
        return unless changed['go_decision'] == 'go'

        lesson = SoloLesson.new(sortie, changed)
        outside = lesson.outside
        return if outside.empty?

        why = changed.fetch('go_reason', sortie.go_reason).to_s.strip
        return lesson.answer(current_person, why) if current_person.chief? && why.length >= 3

        raise Conflict,
              Text.of('Outside the solo authority: %{outside}. Only the chief instructor can say go, with a reason.',
                      outside: Text.list(outside, '; '))
      end

      def check_times(sortie, changed)
        off, on = %w[off_at on_at].map { |name| moment(changed.fetch(name, sortie[name])) }
        return unless off && on

        minutes = (on - off) / 60.0
        return if minutes.positive? && minutes < 12 * 60

        raise InvalidInput, [{ path: 'on_at', message: 'expected a time after take-off and within 12 hours of it' }]
      end
    end
  end
end
