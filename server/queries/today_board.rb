# frozen_string_literal: true

module Fujin
  # The board: today's sorties, those around them, and what needs somebody's attention.
  class TodayBoard
    AROUND_DAYS = 7
    # A document that runs out so soon waits for somebody.
    SOON_DAYS = 14
    # Who meets every condition for a sign-off and has none, read where standings are kept; those of whom nothing is
    # ready are not taken apart.
    READY = <<~SQL.squish
      SELECT people.id, people.name, standing ->> 'title' AS title
      FROM student_records JOIN people ON people.id = student_records.student_id,
        json_array_elements(student_records.standings) AS standing
      WHERE student_records.standings::text ~ '"ready" *: *true' AND (standing ->> 'ready')::boolean AND people.left_on IS NULL AND people.role = ANY($1)
        AND NOT EXISTS (SELECT 1 FROM sign_offs WHERE sign_offs.student_id = people.id
          AND sign_offs.manoeuvre = standing ->> 'manoeuvre'
          AND NOT EXISTS (SELECT 1 FROM sign_off_withdrawals WHERE sign_off_id = sign_offs.id))
      ORDER BY people.name, title
    SQL

    def initialize(viewer, date)
      @viewer = viewer
      @date = date
    end

    def to_h
      rows = LessonLines.read(sorties, @viewer, fleet)
      @progress = KeptProgress.progress(rows, everybody: !@viewer.learner?)
      midnight, next_one = [@date, @date + 1].map { |day| school.midnight(day) }
      earlier, coming = rows.partition { |s| s.starts_at < midnight }
      today, later = coming.partition { |s| s.starts_at < next_one }
      {
        'date' => @date.iso8601,
        'sorties' => shown(today),
        'earlier' => shown(earlier.reverse),
        'later' => shown(later),
        'attention' => attention(today + earlier),
        **DayAhead.new(@viewer, @date, today, @progress, fleet).to_h
      }
    end

    private

    def school = @school ||= School.current
    def day_of(sortie) = school.day_of(sortie.starts_at)
    def shown(sorties) = Serialisers.sortie_rows(sorties, @progress)

    def sorties
      around = school.midnight(@date - AROUND_DAYS)..school.midnight(@date + AROUND_DAYS + 1)
      scope = Sortie.where(starts_at: around).order(:starts_at)
      @viewer.learner? ? scope.where(student_id: @viewer.id) : scope
    end

    def fleet = @fleet ||= AircraftRow.all.to_a

    def attention(flown)
      return [] if @viewer.learner?

      running + aircraft + documents + reviews(flown) + sign_offs
    end

    # A chain that is broken is the chief's to know at once.
    def running
      return [] unless @viewer.chief? && ChainCheck.latest&.holds == false

      [{ 'kind' => 'running', 'text' => RunningNow.new.to_do.first }]
    end

    def aircraft
      fleet.select(&:look_at_it).map do |row|
        {
          'kind' => 'aircraft',
          'aircraft_id' => row.id,
          'text' => Text.of('%{mark} to be looked at before flight. %{look_at_it_reason}',
                            mark: row.mark, look_at_it_reason: row.look_at_it_reason)
        }
      end
    end

    # What has run out, or does within a fortnight, of those who are here: of each kind the one that is good longest.
    def documents
      last = PersonDocument.where(withdrawn_at: nil).joins(:person).merge(Person.present)
        .select('DISTINCT ON (person_id, kind, type_id) person_documents.*, people.name AS person_name')
        .order(:person_id, :kind, :type_id, Arel.sql('valid_until DESC NULLS FIRST'))
      last.select { |one| one.valid_until && one.valid_until <= @date + SOON_DAYS }.sort_by(&:valid_until).map do |one|
        { 'kind' => 'document', 'person_id' => one.person_id,
          'text' => "#{one.person_name}: #{one.value.words(@date)}" }
      end
    end

    def reviews(flown)
      flown
        .select { |s| @progress.fetch(s.id).stages['review'] == 'begun' }
        .map do |s|
          {
            'kind' => 'review',
            'sortie_id' => s.id,
            'text' =>
              Text.of('%{student}, %{day}: %{step}',
                      student: s.student.name, day: Text.day(day_of(s), year: false),
                      step: @progress.fetch(s.id).next_step.downcase)
          }
        end
    end

    def sign_offs
      rows = Record.connection.select_all(READY, 'Ready', [Record.list(Person::LEARNERS)], preparable: true).rows
      rows.map do |id, name, title|
        { 'kind' => 'sign_off', 'student_id' => id, 'text' => Text.of('%{name} meets every condition for %{title}',
                                                                      name: name, title: title.downcase) }
      end
    end
  end
end
