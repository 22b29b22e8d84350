# frozen_string_literal: true

require 'parallel'
require_relative '../../devices/scripted_lessons'

module Fujin
  # The recordings of the demo's lessons: flown by the model where it can, else along a script, one a processor.
  class DemoFlights
    # @param lessons [Array<Array(Sortie, Hash)>] with what db/demo/sorties.yml says of each
    def initialize(lessons)
      @lessons = lessons
    end

    # @return [Array<String>] CSV, in the lessons' order
    def recordings
      flights = @lessons.each_with_index.map { |(sortie, fields), i| flight(sortie, fields, i + 1) }
      # Nothing of the database is touched in there: what is to be flown was read before.
      Parallel.map(flights, in_processes: Etc.nprocessors, &:call)
    end

    private

    # @return [#call] that gives the recording
    def flight(sortie, fields, seed)
      setting = SortieSetting.new(sortie)
      return scripted(setting, fields, seed) if fields['script']

      conditions = setting.conditions
      exercise = setting.exercise
      told = { faults: planted(fields), origin: exercise.spot, elevation_ft: exercise.elevation_ft,
               house: setting.house, height_ft: exercise.height_ft, seed: seed, course_deg: exercise.course_deg,
               manoeuvre: exercise.manoeuvre, settings: exercise.settings,
               others: fields.fetch('more', []).map { |one| other(one) } }
      -> { Lessons::FlownLesson.new(conditions, **told).csv }
    end

    def scripted(setting, fields, seed)
      exercise = setting.exercise
      wind_kt = setting.wind.speed_kt
      lesson = ScriptedLessons.new(exercise.spot, course_deg: exercise.course_deg, wind_kt: wind_kt, seed: seed)
      -> { lesson.csv(fields['script'], fields['tries'], **fields.fetch('how', {}).transform_keys(&:to_sym)) }
    end

    def planted(fields) = fields['flights'].map { |flight| flight.transform_values(&:to_f) }

    def other(fields) =
      { manoeuvre: fields['manoeuvre'], settings: fields.fetch('settings', {}), height_ft: fields['height_ft'],
        faults: planted(fields) }
  end
end
