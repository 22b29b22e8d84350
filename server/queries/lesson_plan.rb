# frozen_string_literal: true

module Fujin
  # The exercises of a lesson as an instructor arranges them.
  class LessonPlan
    MOST = 12

    # Where a new lesson begins: where the student was taught last, else where anybody was, else the first place.
    # @param student [Person]
    # @return [Hash{Symbol => Object}]
    # @raise [Conflict] where the school has no place yet
    def self.place_for(student)
      last = Exercise.joins(:sortie).order('sorties.starts_at DESC', :position)
      exercise = last.find_by(sorties: { student_id: student.id }) || last.first
      return exercise.attributes.symbolize_keys.slice(*PLACE) if exercise

      place = Place.in_order.first or raise Conflict, 'The school has no place yet: add one in Method first.'
      { spot_name: place.name, spot_lat_deg: place.lat_deg, spot_lon_deg: place.lon_deg,
        elevation_ft: place.elevation_ft }
    end
    PLACE = %i[spot_name spot_lat_deg spot_lon_deg elevation_ft].freeze

    # @param sortie [Sortie]
    def initialize(sortie)
      @sortie = sortie
    end

    # @param fields [Hash] an id of the client's making, the manoeuvre, and what of an exercise is known; the place is
    #   that of the exercise before
    # @return [Exercise] made once
    # @raise [Conflict] for what this aircraft does not fly
    def add(fields)
      known = Exercise.find_by(id: fields['id'])
      return known if known

      check(Catalogue.find(fields['manoeuvre']))
      Planning::Settings.read(Catalogue.find(fields['manoeuvre']).settings, fields['settings'] || {})
      last = @sortie.exercises.last
      place = last.fields('spot_name', 'spot_lat_deg', 'spot_lon_deg', 'elevation_ft', 'course_deg')
      Sortie.transaction do
        @sortie.touch
        @sortie.exercises.create!(
          place.merge(fields.slice('id', *Exercise::FIELDS), 'position' => last.position + 1)
        )
      end
    end

    # @param ids [Array<String>] all of the lesson's exercises
    def order(ids)
      unless ids.sort == @sortie.exercises.map(&:id).sort
        raise InvalidInput, [{ path: 'order', message: 'expected every exercise of the lesson, once' }]
      end

      Sortie.transaction do
        ids.each_with_index { |id, i| Exercise.where(id: id).update_all(position: i + 1) }
        @sortie.touch
      end
    end

    # @raise [Conflict] for the only one, and for one that was flown
    def remove(exercise)
      raise Conflict, 'A lesson has one exercise at least: add another first.' if @sortie.exercises.size < 2
      raise Conflict, 'It was flown: its attempts are on record.' if exercise.attempts.exists?

      check_surprise(nil, left: @sortie.exercises - [exercise])

      Sortie.transaction do
        @sortie.touch
        exercise.destroy!
      end
    end

    # A surprise needs something that is no surprise beside it: the student has to prepare for a lesson.
    # @param exercise [Exercise, nil] that is to be one
    # @raise [Conflict]
    def check_surprise(exercise, left: @sortie.exercises)
      return if left.any? { |one| one != exercise && one.surprise.nil? }

      raise Conflict, 'A surprise comes in the middle of something: plan another exercise beside it first.'
    end

    private

    def check(manoeuvre)
      kind = @sortie.aircraft.type.kind
      unless manoeuvre.for?(@sortie.aircraft.type)
        raise Conflict, Text.of('%{manoeuvre} is not flown in a %{kind}.', manoeuvre: manoeuvre.title, kind: kind)
      end
      if @sortie.exercises.size >= MOST
        raise Conflict, Text.of('%{most} exercises are a lesson: plan another one.', most: MOST)
      end
    end
  end
end
