# frozen_string_literal: true

module Fujin
  # Bookings: the board, what stands against one, who waits, calendars.
  class BookingsArea < Area
    get_route '/api/bookings' do
      first = params['from'] ? Date.iso8601(params['from']) : School.current.today
      json(BookingBoard.new(current_person, first, params.fetch('days', 7).to_i).to_h)
    end

    post_route '/api/bookings' do
      made = desk.book(body_json).map do |booking, clashes|
        { 'booking' => booking && Serialisers.booking(booking), 'clashes' => clashes.map do |one|
          Serialisers.clash(one)
        end }
      end
      json(made, status: 201)
    end

    # What would stand against it; nothing is stored.
    post_route '/api/bookings/look' do
      json(desk.look(body_json).map { |one| Serialisers.clash(one) })
    end

    # A booking said in a sentence, read into its fields.
    post_route '/api/bookings/said' do
      json(BookingSaid.new(body_json['text'], by: current_person).to_h)
    end

    patch_route '/api/bookings/:id' do
      booking = Booking.standing.find(params['id'])
      match_version!(booking)
      clashes = desk.change(booking, body_json)
      json({ 'booking' => Serialisers.booking(booking.reload), 'clashes' => clashes.map do |one|
        Serialisers.clash(one)
      end })
    end

    post_route '/api/bookings/:id/cancellation' do
      booking = desk.cancel(Booking.standing.find(params['id']), body_json['why'])
      json({ 'booking' => Serialisers.booking(booking), 'offers' => GapOffers.new(booking, world).to_a })
    end

    # The lesson that it becomes, made once.
    post_route '/api/bookings/:id/lesson' do
      json({ 'sortie_id' => BookedLesson.new(Booking.standing.find(params['id'])).sortie.id }, status: 201)
    end

    post_route '/api/waits' do
      fields = body_json
      wait = Wait.find_by(id: fields['id']) ||
        Wait.create!(**fields.slice('id', 'student_id', 'instructor_id', 'from_on', 'until_on', 'note'),
by: current_person)
      json(Serialisers.wait(wait), status: 201)
    end

    delete_route '/api/waits/:id' do
      Wait.open.find(params['id']).update!(done_at: Time.now.utc)
      halt 204
    end

    post_route '/api/absences' do
      fields = body_json
      own_or_chief!(fields['person_id'])
      from, to = fields.values_at('from_at', 'to_at').map { |text| Time.iso8601(text) }
      raise InvalidInput, [{ path: 'to_at', message: 'expected a time after the beginning' }] unless to > from

      row = Absence.find_by(id: fields['id']) || Absence.create!(**fields.slice('id', 'person_id', 'from_at', 'to_at',
                                                                                'words'))
      json(Serialisers.absence(row), status: 201)
    end

    delete_route '/api/absences/:id' do
      row = Absence.find(params['id'])
      own_or_chief!(row.person_id)
      row.destroy!
      halt 204
    end

    # A secret address for a calendar program; a new one ends the old.
    post_route '/api/me/calendar' do
      word = SecureRandom.urlsafe_base64(24)
      current_person.update!(calendar_digest: Invitation.digest(word))
      json({ 'address' => "#{request.base_url}/api/calendar/#{word}.ics" }, status: 201)
    end

    delete_route '/api/me/calendar' do
      current_person.update!(calendar_digest: nil)
      halt 204
    end

    post_route('/api/me/calendar/away') { json(Calendar.take(current_person, body_json['calendar'])) }

    get_route '/api/calendar/:word' do
      person = Person.find_by(calendar_digest: Invitation.digest(params['word'].delete_suffix('.ics')))
      raise NotFound, 'There is no calendar at this address any more.' unless person && person.state != 'left'

      content_type 'text/calendar', charset: 'utf-8'
      Calendar.of(person)
    end

    put_route '/api/booking-rules' do
      rules = Bookings::Rules.new(body_json)
      school = School.current
      school.update!(bookings: body_json)
      AuditEntry.note_changes('booking rules set', school, %w[bookings], by: current_person)
      json(rules.to_h)
    end

    get_route('/api/booking-rules') { json(School.current.booking_rules.to_h) }

    helpers do
      def world
        @world ||= BookingWorld.new(School.current, forecast: WeatherStation.new(School.current.station).forecast)
      end

      def desk = BookingDesk.new(current_person, world)

      def own_or_chief!(id)
        return if current_person.id == id || current_person.chief?

        raise NotAllowed, 'Everybody says for themselves when they are away; the chief instructor for all.'
      end
    end
  end
end
