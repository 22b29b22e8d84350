# frozen_string_literal: true

require_relative 'record'
require_relative 'exercise'

module Fujin
  # A lesson flown in one go: who, in what, on which day, and the exercises in their order.
  class Sortie < Record
    belongs_to :student, class_name: 'Fujin::Person'
    belongs_to :instructor, class_name: 'Fujin::Person'
    belongs_to :aircraft, class_name: 'Fujin::AircraftRow'
    has_many :exercises, -> { order(:position) }, class_name: 'Fujin::Exercise', inverse_of: :sortie
    has_many :fly_events, -> { order(:position) }, class_name: 'Fujin::FlyEvent', inverse_of: :sortie
    has_many :recordings, -> { order(:created_at) }, class_name: 'Fujin::RecordingRow', inverse_of: :sortie
    has_many :attempts, -> { order(:created_at, :position) }, class_name: 'Fujin::AttemptRow', inverse_of: :sortie

    has_many :colleagues, -> { preload(:person) }, class_name: 'Fujin::Colleague', inverse_of: :sortie
    has_one :lesson_record, class_name: 'Fujin::LessonRecord', inverse_of: :sortie

    # With whoever flies it, in one question.
    scope :with_crew, -> { eager_load(:student, :instructor, :aircraft) }

    # What of the day its attempts are measured by.
    MEASURED = %w[
      aircraft_id stage people_aboard fuel_kg wind_from_deg wind_kt gust_kt oat_c dew_point_c qnh_hpa
    ].freeze

    after_update do
      exercises.each { |one| one.increment!(:plan_version) } if saved_changes.keys.intersect?(MEASURED)
    end

    # Their exercises, where they are not known yet, by one question.
    # @param lessons [Array<Sortie>]
    def self.take_exercises(lessons)
      lessons = lessons.reject { |one| one.association(:exercises).loaded? }
      return if lessons.empty?

      rows = Exercise.asked(:of_lessons, lessons.map(&:id)) { Exercise.where('sortie_id = ANY($1)').order(:position) }
        .group_by(&:sortie_id)
      lessons.each do |one|
        one.association(:exercises).target = rows.fetch(one.id, []).each { |row| row.association(:sortie).target = one }
      end
    end

    # @param student [Person]
    # @return [Sortie, nil]
    def self.last_of(student)
      asked(:last, student.id) { where('student_id = $1').order(starts_at: :desc).limit(1) }.first
    end

    # A lesson with its first exercise.
    # @param fields [Hash{Symbol => Object}] of both
    # @return [Sortie]
    def self.plan!(fields)
      own, day = fields.partition { |name, _| Exercise::FIELDS.include?(name.to_s) }.map(&:to_h)
      transaction { create!(day).tap { |sortie| sortie.exercises.create!(own.merge(position: 1)) } }
    end

    # As a person may see it: what is to be a surprise is none of a learner's until it was flown.
    # @param viewer [Person]
    # @return [Sortie] this one
    def seen_by(viewer)
      association(:exercises).target = exercises.reject(&:secret?) if viewer.learner?
      self
    end

    # @param id [String, nil] nil is the first
    # @return [Exercise]
    # @raise [NotFound]
    def exercise(id = nil)
      found = id ? exercises.find { |one| one.id == id } : exercises.to_a.first
      found || raise(NotFound, 'This lesson has no such exercise.')
    end

    # The day it is flown on, by the school's clock: what its date on a page, a standard's date and a day of readiness
    # go by.
    # @return [Date]
    def day(school = School.current) = school.day_of(starts_at)

    # @return [Integer] of flight time
    def self.minutes(off_at, on_at) = ((on_at - off_at) / 60.0).round

    def manoeuvres = exercises.map(&:manoeuvre).uniq
    def flight_minutes = off_at && on_at ? self.class.minutes(off_at, on_at) : nil
    # An instructor candidate teaches, and the instructor plays the student.
    def teaching? = student.candidate?

    # Whose it is, who was added to it, and the chief instructor.
    # @param person [Person]
    def taught_by?(person)
      person.instructor? &&
        (person.chief? || person.id == instructor_id || colleagues.any? { |one| one.person_id == person.id })
    end

    def title = self.class.titled(manoeuvres)

    # What a lesson is called in a list: its exercises, the first two by name.
    # @param manoeuvres [Array<String>] each once
    def self.titled(manoeuvres)
      titles = manoeuvres.map { |id| Catalogue.find(id).title }.uniq
      return Text.list(titles) if titles.size <= 2

      Text.of('%{titles} and %{others} more', titles: Text.list(titles.first(2)), others: titles.size - 2)
    end
  end
end
