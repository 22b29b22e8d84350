# frozen_string_literal: true

module Fujin
  # A sortie's row put into the core's words: conditions, house method, grading context, plan.
  class SortieSetting
    # The sortie with what is tried on it, and as it is stored; the exercise likewise.
    attr_reader :sortie, :stored, :exercise

    # @param sortie [Sortie]
    # @param changes [Hash] attributes of sortie and exercise tried on them without storing
    # @param exercise [Exercise, nil] nil is the first
    def initialize(sortie, changes = {}, exercise = nil)
      if changes.key?('aircraft_id') && !AircraftRow.exists?(id: changes['aircraft_id'])
        raise NotFound, 'There is no such aircraft.'
      end

      own, day = changes.partition { |name, _| Exercise::FIELDS.include?(name) }.map(&:to_h)
      @stored = sortie
      # A wind that differs from what is stored is somebody's new answer to the same question.
      @tried_wind =
        %w[wind_from_deg wind_kt gust_kt].any? { |name| changes.key?(name) && changes[name] != sortie[name] }
      @sortie = tried(sortie, day, 'lock_version')
      @stored_exercise = exercise || sortie.exercise
      @exercise = tried(@stored_exercise, own)
    end

    # @param attempt [AttemptRow]
    # @return [SortieSetting] of its exercise, the first where it was of none
    def self.of(attempt) = new(attempt.sortie, {}, attempt.exercise)

    def declaration = exercise.declaration

    # What an attempt was measured against.
    # @param attempt [AttemptRow]
    def context_of(attempt) = attempt.exercise ? grading_context : open_context

    def type = sortie.aircraft.type
    # The school's method, over it the instructor's own, over that the exercise's.
    def house = School.current.house_method(sortie.instructor.house, exercise.house)

    # Standards that the school has otherwise than they ship, on that day.
    def standards = @standards ||= StandardBook.standards(on: sortie.day)

    # Empty mass, the people aboard, the fuel.
    def mass_kg
      people = sortie.student.mass_kg + (sortie.people_aboard == 'dual' ? sortie.instructor.mass_kg : 0.0)
      type.loaded_mass_kg(people_kg: people, fuel_kg: sortie.fuel_kg)
    end

    def fuel_minutes = (60.0 * sortie.fuel_kg / type.burn_kg_per_h).floor

    # The wind as seen in the air where it was tapped, else as forecast or filled in; nil when nobody has said.
    def wind = observed_wind || forecast_wind

    # The last wind tapped in the cockpit that was not undone, unless the wind itself is being tried.
    def observed_wind
      return @observed_wind if defined?(@observed_wind)

      tap = @tried_wind ? nil : taps.live.reverse.find { |event| event.kind == 'wind' }
      @observed_wind = tap && Wind.observed(tap.payload['value'], atmosphere: atmosphere)
    rescue InvalidInput
      @observed_wind = nil
    end

    def atmosphere =
      Planning::Conditions.build(
        type: type,
        elevation_ft: exercise.elevation_ft,
        oat_c: sortie.oat_c,
        qnh_hpa: sortie.qnh_hpa
      ).atmosphere

    def forecast_wind
      return nil unless whole_wind?
      if sortie.gust_kt && sortie.gust_kt < sortie.wind_kt
        raise InvalidInput,
              [{ path: 'gust_kt', message: Text.of("expected at least the wind's %{wind_kt} kt, got %{gust_kt}",
                                                   wind_kt: sortie.wind_kt, gust_kt: sortie.gust_kt) }]
      end

      Wind.new(from_deg: sortie.wind_from_deg, speed_kt: sortie.wind_kt, gust_kt: sortie.gust_kt)
    end

    # Half a wind is no wind at all, and never calm.
    # @return [Boolean] is there one?
    # @raise [InvalidInput] at the field that is missing
    def whole_wind?
      from = sortie.wind_from_deg
      speed = sortie.wind_kt
      return !from.nil? if from.nil? == speed.nil?

      raise InvalidInput,
            [
              if from.nil?
                { path: 'wind_from_deg', message: 'a wind has a direction too; clear the speed if there is none' }
              else
                { path: 'wind_kt', message: 'a wind has a speed too, 0 for calm; clear the direction if there is none' }
              end
            ]
    end

    def conditions
      Planning::Conditions.build(
        type: type,
        mass_kg: mass_kg,
        wind: wind || Wind.calm,
        elevation_ft: exercise.elevation_ft,
        oat_c: sortie.oat_c,
        qnh_hpa: sortie.qnh_hpa,
        dew_point_c: sortie.dew_point_c
      )
    end

    # The site of the exercise on the lesson's day; nil where it leads to none.
    # @return [Manoeuvres::Confined::Report, nil]
    def site_report
      site = exercise.site or return nil
      check = site.checks.holding(type_id: type.id, mass_kg: conditions.mass_kg, at: sortie.starts_at)
      Manoeuvres::Confined::Report.new(
        Manoeuvres::Confined::Day.new(site.surveyed, conditions, house, wind: wind, stage: sortie.stage,
                                                                        at: sortie.starts_at, k: check&.k || 1.0)
      )
    end

    def plan
      plan =
        declaration.plan(
          conditions,
          house,
          course_deg: exercise.course_deg,
          height_ft: exercise.height_ft,
          stage: sortie.stage,
          settings: exercise.own_settings,
          standard: standards[exercise.manoeuvre]
        )
      plan.with(cautions: [*aircraft_caution, *observed_caution, *not_given(plan.course_deg),
                           *sun_caution(plan.course_deg), *plan.cautions].freeze)
    end

    def observed_caution
      return [] unless observed_wind

      text = Text.of('Planned with the wind seen in the air, %{seen}.', seen: observed_wind)
      if forecast_wind
        text = Text.of('Planned with the wind seen in the air, %{seen}, not the forecast %{forecast}.',
                       seen: observed_wind, forecast: forecast_wind)
      end
      [Planning::Caution.new(id: 'observed_wind', level: 'note', text: text)]
    end

    # What the plan had to take for itself.
    def not_given(course_deg)
      told = []
      told << ['no_wind', 'caution', 'No wind is given: these numbers are for still air.'] unless wind
      told << into_wind(course_deg) unless exercise.course_deg
      told.map { |id, level, text| Planning::Caution.new(id: id, level: level, text: text) }
    end

    # A course into the wind is a choice; into a wind that nobody has given it is none.
    def into_wind(course_deg)
      unless wind
        return ['no_course', 'caution', 'Neither course nor wind is given: drawn towards north. Choose a final course.']
      end

      course = format('%03d', course_deg.round)
      ['no_course', 'note', Text.of('Final course into the wind: %{course}°.', course: course)]
    end

    def sun = @sun ||= Sun.new(sortie.starts_at, *exercise.spot)

    # A low sun on the approach line.
    def sun_caution(course_deg)
      return [] unless sun.in_the_eyes?(course_deg)

      off = sun.off_deg(course_deg)
      [
        Planning::Caution.new(
          id: 'sun',
          level: 'caution',
          text:
            Text.of('Sun %{elevation_deg}° high and %{off}° %{side} of the final course at %{starts_at} UTC: in the ' \
              'eyes. Another line, another hour, or visor and a slower scan.',
                    elevation_deg: sun.elevation_deg.round, off: off.abs.round, side: off.positive? ? 'right' : 'left',
                    starts_at: sortie.starts_at.utc.strftime('%H:%M'))
        )
      ]
    end

    # An aircraft that waits to be looked at rules the flight out until it is cleared.
    def aircraft_caution
      aircraft = sortie.aircraft
      return [] unless aircraft.look_at_it

      [
        Planning::Caution.new(
          id: 'aircraft',
          level: 'limit',
          text:
            Text.of('%{mark} is to be looked at before flight (%{look_at_it_reason}): another aircraft, or cleared ' \
              'first.',
                    mark: aircraft.mark, look_at_it_reason: aircraft.look_at_it_reason)
        )
      ]
    end

    # What attempts of the exercise are measured against, worked out once.
    def grading_context =
      @grading_context ||=
        context(exercise: exercise.manoeuvre, settings: exercise.own_settings, planned: true,
                height_ft: exercise.height_ft)

    # What anything else in the same recording is measured against: the day and the place, and no plan.
    def open_context = @open_context ||= context(planned: false)

    private

    def context(**asked) =
      Lessons.context(
        conditions: conditions,
        house: house,
        stage: sortie.stage,
        spot: exercise.spot,
        course_deg: exercise.course_deg || (wind && sortie.wind_from_deg),
        wind: wind,
        elevation_ft: exercise.elevation_ft,
        handovers: taps.handovers,
        standards: standards,
        site: exercise.site&.surveyed,
        **asked
      )

    # A copy where something is tried on it; where nothing is, the row itself with all that it knows.
    def tried(row, changes, *except)
      return row if changes.empty?

      row.dup.tap { |copy| copy.assign_attributes(row.attributes.except('id', *except).merge(changes)) }
    end

    def taps = @taps ||= HelpTaps.new(FlyEvent.of(@stored))
  end
end
