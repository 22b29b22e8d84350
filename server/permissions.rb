# frozen_string_literal: true

module Fujin
  # Who may call which route, in one place. A route that is not here fails at boot.
  # `:own` beside a role means: only what belongs to that person; the route itself checks it with #own!.
  module Permissions
    EVERYBODY = :everybody
    STAFF = %w[chief_instructor instructor].freeze
    CHIEF = %w[chief_instructor].freeze
    # Instructors, of the lesson that it is about: whose it is, who was added to it, the chief instructor.
    OF_THE_LESSON = :of_the_lesson
    SIGNED_IN = [*STAFF, 'instructor_candidate', 'student'].freeze

    TABLE = {
      'GET /api/session' => EVERYBODY,
      'POST /api/session' => EVERYBODY,
      'DELETE /api/session' => EVERYBODY,
      'GET /api/invitations/:word' => EVERYBODY,
      'POST /api/invitations/:word' => EVERYBODY,
      'POST /api/set-up' => EVERYBODY,
      'GET /api/people' => STAFF,
      'GET /api/document-kinds' => SIGNED_IN,
      'POST /api/people' => CHIEF,
      'GET /api/people/:id' => SIGNED_IN,
      'PATCH /api/people/:id' => CHIEF,
      'PUT /api/people/:id/state' => CHIEF,
      'POST /api/people/:id/invitation' => CHIEF,
      'POST /api/people/:id/documents' => STAFF,
      'DELETE /api/documents/:id' => STAFF,
      'GET /api/people-list' => CHIEF,
      'POST /api/people-list' => CHIEF,
      'GET /api/audit' => CHIEF,
      'GET /api/me' => SIGNED_IN,
      'PATCH /api/me' => SIGNED_IN,
      'PUT /api/me/password' => SIGNED_IN,
      'DELETE /api/me/sessions/:id' => SIGNED_IN,
      'POST /api/me/second-factor' => SIGNED_IN,
      'PUT /api/me/second-factor' => SIGNED_IN,
      'DELETE /api/me/second-factor' => SIGNED_IN,
      'GET /api/me/export' => SIGNED_IN,
      'GET /api/bookings' => SIGNED_IN,
      'POST /api/bookings' => STAFF,
      'POST /api/bookings/look' => STAFF,
      'POST /api/bookings/said' => STAFF,
      'PATCH /api/bookings/:id' => STAFF,
      'POST /api/bookings/:id/cancellation' => STAFF,
      'POST /api/bookings/:id/lesson' => STAFF,
      'POST /api/waits' => STAFF,
      'DELETE /api/waits/:id' => STAFF,
      'POST /api/absences' => SIGNED_IN,
      'DELETE /api/absences/:id' => SIGNED_IN,
      'POST /api/me/calendar' => SIGNED_IN,
      'DELETE /api/me/calendar' => SIGNED_IN,
      'POST /api/me/calendar/away' => SIGNED_IN,
      'GET /api/calendar/:word' => EVERYBODY,
      'GET /api/booking-rules' => SIGNED_IN,
      'PUT /api/booking-rules' => CHIEF,
      'GET /api/students/:id/solo' => SIGNED_IN,
      'POST /api/students/:id/solo' => STAFF,
      'POST /api/solo-authorities/:id/withdrawal' => STAFF,
      'GET /api/solo-authorities/:id/document' => SIGNED_IN,
      'GET /api/people/:id/log' => SIGNED_IN,
      'GET /api/people/:id/log.csv' => SIGNED_IN,
      'GET /api/sorties/:id/flight-time' => SIGNED_IN,
      'PUT /api/sorties/:id/correction' => OF_THE_LESSON,
      'GET /api/sorties/:id/solo-card' => SIGNED_IN,
      'DELETE /api/demo' => CHIEF,
      'POST /api/people/:id/forgetting' => CHIEF,
      'DELETE /api/people/:id/second-factor' => CHIEF,
      'GET /api/school' => SIGNED_IN,
      'PUT /api/school' => CHIEF,
      'PUT /api/school/logo' => CHIEF,
      'DELETE /api/school/logo' => CHIEF,
      'GET /api/fleet' => SIGNED_IN,
      'POST /api/aircraft' => CHIEF,
      'PATCH /api/aircraft/:id' => CHIEF,
      'PUT /api/aircraft/:id/state' => CHIEF,
      'POST /api/aircraft/:id/maintenance' => STAFF,
      'POST /api/maintenance/:id/done' => CHIEF,
      'POST /api/aircraft/:id/defects' => STAFF,
      'POST /api/defects/:id/clearance' => STAFF,
      'GET /api/today' => SIGNED_IN,
      'GET /api/students' => STAFF,
      'GET /api/student-names' => STAFF,
      'GET /api/students/:id' => SIGNED_IN,
      'GET /api/students/:id/lessons' => SIGNED_IN,
      'GET /api/students/:id/side-by-side' => SIGNED_IN,
      'GET /api/class-list' => STAFF,
      'GET /api/aircraft' => SIGNED_IN,
      'POST /api/aircraft/:id/clearance' => CHIEF,
      'GET /api/agreement' => CHIEF,
      'GET /api/running' => CHIEF,
      'GET /api/catalogue' => SIGNED_IN,
      'GET /api/standards/waiting' => SIGNED_IN,
      'PUT /api/house' => CHIEF,
      'PUT /api/blocks/:block' => CHIEF,
      'PUT /api/readiness' => CHIEF,
      'POST /api/standards/changes' => CHIEF,
      'POST /api/standards/look-back' => CHIEF,
      'POST /api/sorties' => STAFF,
      'GET /api/sorties/:id' => SIGNED_IN,
      'POST /api/sorties/:id/colleagues' => OF_THE_LESSON,
      'DELETE /api/sorties/:id/colleagues/:person' => OF_THE_LESSON,
      'GET /api/instructor-names' => STAFF,
      'PATCH /api/sorties/:id' => OF_THE_LESSON,
      'POST /api/sorties/:id/plan' => SIGNED_IN,
      'POST /api/sorties/:id/exercises' => OF_THE_LESSON,
      'PUT /api/sorties/:id/exercises' => OF_THE_LESSON,
      'DELETE /api/exercises/:id' => OF_THE_LESSON,
      'GET /api/sorties/:id/offers' => STAFF,
      'POST /api/sorties/:id/template' => STAFF,
      'DELETE /api/templates/:id' => STAFF,
      'PUT /api/exercises/:id/spot' => OF_THE_LESSON,
      'GET /api/exercises/:id/site' => SIGNED_IN,
      'PUT /api/exercises/:id/site' => OF_THE_LESSON,
      'GET /api/places' => SIGNED_IN,
      'POST /api/places' => STAFF,
      'DELETE /api/places/:id' => CHIEF,
      'GET /api/places/geojson' => STAFF,
      'POST /api/places/geojson' => STAFF,
      'GET /api/sites' => SIGNED_IN,
      'POST /api/sites' => STAFF,
      'GET /api/sites/:id' => SIGNED_IN,
      'PUT /api/sites/:id' => STAFF,
      'DELETE /api/sites/:id' => CHIEF,
      'GET /api/sites/:id/geojson' => SIGNED_IN,
      'POST /api/sites/:id/report' => SIGNED_IN,
      'POST /api/sites/:id/proposals' => STAFF,
      'GET /api/sites/:id/neighbours' => STAFF,
      'POST /api/sites/:id/power-checks' => STAFF,
      'POST /api/sites/:id/surveys' => STAFF,
      'GET /api/terrain' => SIGNED_IN,
      'POST /api/terrain' => STAFF,
      'DELETE /api/terrain/:id' => STAFF,
      'GET /api/site-surveys/:id' => SIGNED_IN,
      'PUT /api/site-surveys/:id' => %w[student instructor_candidate],
      'POST /api/site-surveys/:id/grade' => STAFF,
      'POST /api/sorties/:id/dispersions' => SIGNED_IN,
      'GET /api/dispersions/:id' => SIGNED_IN,
      'GET /api/sorties/:id/brief' => SIGNED_IN,
      'GET /api/weather' => SIGNED_IN,
      'GET /api/types' => SIGNED_IN,
      'GET /api/types/:id' => SIGNED_IN,
      'GET /api/types/:id/curves' => SIGNED_IN,
      'POST /api/types' => CHIEF,
      'GET /api/aircraft/:id/power-card' => SIGNED_IN,
      'GET /api/sorties/:id/power-card' => SIGNED_IN,
      'POST /api/sorties/:id/from-here' => SIGNED_IN,
      'GET /api/people/me/house' => STAFF,
      'PUT /api/people/me/house' => STAFF,
      'GET /api/sorties/:id/events' => SIGNED_IN,
      'POST /api/sorties/:id/events' => OF_THE_LESSON,
      'POST /api/sorties/:id/recordings' => OF_THE_LESSON,
      'POST /api/sorties/:id/recordings/from-recorder' => OF_THE_LESSON,
      'POST /api/sorties/:id/recordings/live' => OF_THE_LESSON,
      'POST /api/recordings/:id/stop' => OF_THE_LESSON,
      'GET /api/sorties/:id/live' => SIGNED_IN,
      'GET /api/recordings/:id' => SIGNED_IN,
      'GET /api/recordings/:id/series' => SIGNED_IN,
      'PUT /api/recordings/:id/headings' => OF_THE_LESSON,
      'GET /api/sorties/:id/attempts' => SIGNED_IN,
      'GET /api/attempts/:id' => SIGNED_IN,
      'GET /api/attempts/:id/strips' => SIGNED_IN,
      'GET /api/attempts/:id/pictures' => SIGNED_IN,
      'GET /api/attempts/:id/path' => SIGNED_IN,
      'GET /api/attempts/:id/one-change' => SIGNED_IN,
      'POST /api/attempts/:id/grades' => SIGNED_IN,
      'POST /api/attempts/:id/fault-calls' => SIGNED_IN,
      'PUT /api/attempts/:id/cut' => OF_THE_LESSON,
      'POST /api/attempts/:id/split' => OF_THE_LESSON,
      'POST /api/attempts/:id/join' => OF_THE_LESSON,
      'POST /api/recordings/:id/attempts' => OF_THE_LESSON,
      'PUT /api/attempts/:id/manner' => OF_THE_LESSON,
      'PUT /api/attempts/:id/exercise' => OF_THE_LESSON,
      'PUT /api/attempts/:id/spot' => OF_THE_LESSON,
      'PUT /api/attempts/:id/void' => OF_THE_LESSON,
      'POST /api/sign-offs' => STAFF,
      'GET /api/sign-offs' => STAFF,
      'GET /api/sign-offs/withdrawn' => STAFF,
      'GET /api/sign-offs/:id' => SIGNED_IN,
      'GET /api/sign-offs/:id/sheet' => SIGNED_IN,
      'GET /api/sign-offs/:id/document' => SIGNED_IN,
      'POST /api/sign-offs/:id/withdrawal' => STAFF
    }.freeze

    # A route without an entry here, or an entry without a route.
    class Incomplete < StandardError; end

    module_function

    # @param routes [Array<String>] every declared 'VERB /path'
    # @raise [Incomplete]
    def check!(routes)
      nobody = routes - TABLE.keys
      unless nobody.empty?
        raise Incomplete, "no permission is stated for #{nobody.join(', ')}: add it to server/permissions.rb"
      end

      stale = TABLE.keys - routes
      raise Incomplete, "server/permissions.rb names routes that do not exist: #{stale.join(', ')}" unless stale.empty?
    end

    # @param role [String, nil]
    def allowed?(route, role)
      allowed = TABLE.fetch(route)
      return true if allowed == EVERYBODY

      (allowed == OF_THE_LESSON ? STAFF : allowed).include?(role)
    end

    # Whether it is open to those of one lesson only.
    def of_the_lesson?(route) = TABLE.fetch(route) == OF_THE_LESSON
  end
end
