# frozen_string_literal: true

module Fujin
  # The board: today's sorties, those around them, and what needs somebody's attention.
  class TodayBoard
    AROUND_DAYS = 7

    def initialize(viewer, date)
      @viewer = viewer
      @date = date
    end

    def to_h
      rows = sorties.map { |sortie| sortie.seen_by(@viewer) }
      @progress = KeptProgress.progress(rows)
      today, other = rows.partition { |s| s.starts_at.to_date == @date }
      earlier, later = other.partition { |s| s.starts_at.to_date < @date }
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

    def shown(sorties) = Serialisers.sortie_rows(sorties, @progress)

    def sorties
      scope = Sortie.where(starts_at: (@date - AROUND_DAYS)..(@date + AROUND_DAYS + 1)).order(:starts_at)
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

    # What has run out, or does within a fortnight, of those who are here.
    def documents
      soon = PersonDocument.in_force.where(valid_until: ..(@date + 14)).joins(:person).merge(Person.present)
        .preload(:person)
      soon.group_by { |one| [one.person_id, one.kind, one.type_id] }.values.filter_map do |own|
        last = own.max_by(&:valid_until)
        next if PersonDocument.in_force.where(last.slice(:person_id, :kind,
                                                         :type_id)).where(valid_until: (@date + 15)..).exists?

        { 'kind' => 'document', 'person_id' => last.person_id,
          'text' => "#{last.person.name}: #{last.value.words(@date)}" }
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
