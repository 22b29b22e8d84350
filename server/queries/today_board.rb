# frozen_string_literal: true

module Fujin
  # The board: today's sorties, those around them, and what needs somebody's attention.
  class TodayBoard
    AROUND_DAYS = 7
    # A document that runs out so soon waits for somebody.
    SOON_DAYS = 14

    def initialize(viewer, date)
      @viewer = viewer
      @date = date
    end

    def to_h
      rows = sorties.map { |sortie| sortie.seen_by(@viewer) }
      @progress = KeptProgress.progress(rows)
      today, other = rows.partition { |s| day_of(s) == @date }
      earlier, later = other.partition { |s| day_of(s) < @date }
      {
        'date' => @date.iso8601,
        'sorties' => shown(today),
        'earlier' => shown(earlier.reverse),
        'later' => shown(later),
        'attention' => attention(today + earlier),
        **DayAhead.new(@viewer, @date).to_h
      }
    end

    private

    def school = @school ||= School.current
    # By the school's clock.
    def day_of(sortie) = school.clock.call(sortie.starts_at).to_date
    def shown(sorties) = Serialisers.sortie_rows(sorties, @progress)

    def sorties
      around = school.midnight(@date - AROUND_DAYS)..school.midnight(@date + AROUND_DAYS + 1)
      scope = Sortie.where(starts_at: around).order(:starts_at)
      scope = scope.where(student_id: @viewer.id) if @viewer.learner?
      scope.preload(:student, :instructor, :aircraft, :exercises)
    end

    def attention(flown)
      return [] if @viewer.learner?

      aircraft + documents + reviews(flown) + sign_offs
    end

    def aircraft
      AircraftRow
        .where(look_at_it: true)
        .map do |row|
          {
            'kind' => 'aircraft',
            'aircraft_id' => row.id,
            'text' => "#{row.mark} to be looked at before flight. #{row.look_at_it_reason}"
          }
        end
    end

    # What has run out, or does within a fortnight, of those who are here: of each kind the one that is good longest.
    def documents
      last = PersonDocument.where(withdrawn_at: nil).joins(:person).merge(Person.present)
        .select('DISTINCT ON (person_id, kind, type_id) person_documents.*')
        .order(:person_id, :kind, :type_id, Arel.sql('valid_until DESC NULLS FIRST')).preload(:person)
      last.select { |one| one.valid_until && one.valid_until <= @date + SOON_DAYS }.sort_by(&:valid_until).map do |one|
        { 'kind' => 'document', 'person_id' => one.person_id,
          'text' => "#{one.person.name}: #{one.value.words(@date)}" }
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
              "#{s.student.name}, #{s.starts_at.to_date.strftime('%-d %B')}: " \
              "#{@progress.fetch(s.id).next_step.downcase}"
          }
        end
    end

    def sign_offs
      StudentRows
        .new(Person.students.to_a)
        .to_a
        .flat_map do |row|
          row['standings']
            .select { |s| s['ready'] && !s['signed_off'] }
            .map do |s|
              {
                'kind' => 'sign_off',
                'student_id' => row['id'],
                'text' => "#{row['name']} meets every condition for #{s['title'].downcase}"
              }
            end
        end
    end
  end
end
