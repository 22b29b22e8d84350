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
      rows = LightAttempts.preload(sorties.to_a)
      today, other = rows.partition { |s| s.starts_at.to_date == @date }
      earlier, later = other.partition { |s| s.starts_at.to_date < @date }
      {
        'date' => @date.iso8601,
        'sorties' => today.map { |s| Serialisers.sortie_row(s, SortieProgress.new(s)) },
        'earlier' => earlier.reverse.map { |s| Serialisers.sortie_row(s, SortieProgress.new(s)) },
        'later' => later.map { |s| Serialisers.sortie_row(s, SortieProgress.new(s)) },
        'attention' => attention(today + earlier)
      }
    end

    private

    def sorties
      scope = Sortie.where(starts_at: (@date - AROUND_DAYS)..(@date + AROUND_DAYS + 1)).order(:starts_at)
      scope = scope.where(student_id: @viewer.id) if @viewer.learner?
      scope.preload(:student, :instructor, :aircraft, :exercises, :fly_events)
    end

    def attention(flown)
      return [] if @viewer.learner?

      aircraft + reviews(flown) + sign_offs
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

    def reviews(flown)
      flown
        .select { |s| SortieProgress.new(s).to_h['review'] == 'begun' }
        .map do |s|
          {
            'kind' => 'review',
            'sortie_id' => s.id,
            'text' =>
              "#{s.student.name}, #{s.starts_at.to_date.strftime('%-d %B')}: " \
              "#{SortieProgress.new(s).next_step.downcase}"
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
