# frozen_string_literal: true

module Fujin
  # What could be added to a lesson with one key: what the student's last lesson had, and the school's usual beginnings.
  class ExerciseOffers
    # @param sortie [Sortie]
    def initialize(sortie)
      @sortie = sortie
      @type = sortie.aircraft.type
    end

    # @return [Array<Hash>]
    def to_a = [*last_lesson, *what_comes_next, *own_templates, *templates]

    private

    # From the student's record.
    def what_comes_next
      student = @sortie.student
      signed = SignOff.in_force.where(student_id: student.id).pluck(:manoeuvre)
      advice = KeptProgress.standing(student).advice(kinds: [@type.kind], signed: signed,
                                                     today: @sortie.day)
      return [] if advice.empty?

      exercises = advice.map do |one|
        { 'manoeuvre' => one.manoeuvre, 'settings' => one.settings, 'planned_count' => one.attempts }
      end
      [offer('What comes next', exercises, Text.list(advice.map(&:reason), ' '))]
    end

    def last_lesson
      before = Sortie.where(student_id: @sortie.student_id, starts_at: ...@sortie.starts_at).order(:starts_at).last
      return [] unless before

      exercises = before.exercises.select { |exercise| fits?(exercise.manoeuvre) }.map do |exercise|
        exercise.fields('manoeuvre', 'settings', 'planned_count')
      end
      return [] if exercises.empty?

      [offer(Text.of('As on %{day}', day: Text.day(before.day, year: false)), exercises, before.next_focus)]
    end

    # The school's own.
    def own_templates
      LessonTemplate.in_order.filter_map do |kept|
        next unless kept.exercises.all? { |exercise| fits?(exercise['manoeuvre']) }

        offer(kept.title, kept.exercises, kept.reason).merge('template_id' => kept.id)
      end
    end

    def templates =
      Lessons.templates.filter_map do |template|
        next unless template.exercises.all? { |exercise| fits?(exercise['manoeuvre']) }

        offer(template.title, template.exercises, template.reason)
      end

    def fits?(manoeuvre) = Catalogue.find(manoeuvre).for?(@type)

    def offer(title, exercises, reason)
      {
        'title' => title,
        'reason' => reason,
        'exercises' =>
          exercises.map do |exercise|
            { 'settings' => {}, 'planned_count' => nil }.merge(exercise,
                                                               'title' => Catalogue.find(exercise['manoeuvre']).title)
          end
      }
    end
  end
end
