# frozen_string_literal: true

module Fujin
  # A sortie with everything that its stages show.
  class SortieView
    FIELDS = %w[
      people_aboard fuel_kg wind_from_deg wind_kt gust_kt oat_c dew_point_c qnh_hpa go_decision go_reason
    ].freeze

    # @param viewer [Person]
    def initialize(sortie, viewer)
      @sortie = sortie
      @viewer = viewer
      LightAttempts.preload([sortie])
      @setting = SortieSetting.new(sortie)
      @said = ExerciseSaid.new(sortie)
    end

    # @return [Hash] the API's Sortie
    def to_h
      Serialisers
        .sortie_row(@sortie, KeptProgress.progress([@sortie]).fetch(@sortie.id))
        .merge(@sortie.fields(*FIELDS), flight, 'exercises' => exercises, 'recordings' => recordings)
        .merge('version' => @sortie.lock_version, 'may_edit' => @sortie.taught_by?(@viewer),
               'colleagues' => colleagues)
    end

    private

    def colleagues = @sortie.colleagues.map { |one| Serialisers.person_name(one.person) }

    def flight
      {
        'off_at' => Serialisers.time(@sortie.off_at),
        'on_at' => Serialisers.time(@sortie.on_at),
        'flight_minutes' => @sortie.flight_minutes,
        'mass_kg' => Serialisers.number(@setting.mass_kg, 1),
        'fuel_minutes' => @setting.fuel_minutes,
        'last_focus' => last_focus,
        'break_advice' => (BreakAdvice.new(@sortie).text if @viewer.instructor?),
        'sun' => sun,
        'outside_solo' => SoloLesson.new(@sortie).outside,
        'training_device' => @sortie.training_device,
        'observed_wind' => @setting.observed_wind&.to_s
      }
    end

    def exercises
      attempts = @sortie.attempts.map(&:exercise_id).tally
      @sortie.exercises.map { |row| exercise(row, attempts.fetch(row.id, 0)) }
    end

    def exercise(row, attempts)
      declared = row.declaration
      house = SortieSetting.new(@sortie, {}, row).house
      row.fields(*Exercise::FIELDS).merge(
        'id' => row.id,
        'title' => declared.title,
        'hands' => @said.hands(row),
        'at_site' => declared.at_site,
        'attempts' => attempts,
        'effective_house' => house.values,
        'checks' => declared.checks_for(@sortie.aircraft.type),
        'phases' => declared.phases_for(house['ending']),
        'manoeuvre_settings' => declared.settings.map { |name| Serialisers.plan_setting(name) },
        'house_settings' => HouseQuestions.for(declared),
        'counted' => @said.counted(row),
        'measures' => judged_measures(declared)
      )
    end

    # What the standard judges of the manoeuvre, for the choice of what counts today.
    def judged_measures(declared)
      declared.measures.flat_map do |phase, ids|
        ids.filter_map do |id|
          next unless declared.judges?(id)

          entry = Glossary.measure(id, declared.id)
          { 'id' => id, 'label' => entry.label, 'phase' => phase, 'spot' => entry.in_lengths }
        end
      end
    end

    def recordings
      rows = RecordingRow.asked(:of_a_lesson, @sortie.id) do
        RecordingRow.light.where('sortie_id = $1').order(:created_at)
      end
      found = @sortie.attempts.map(&:recording_id).tally
      rows.map { |row| Serialisers.recording_row(row, attempts: found.fetch(row.id, 0)) }
    end

    # The one thing that was written down after the lesson before.
    def last_focus
      Sortie.asked(:last_focus, @sortie.student_id, @sortie.starts_at) do
        Sortie.select(:id, :next_focus).where('student_id = $1 AND starts_at < $2').where.not(next_focus: [nil, ''])
          .order(starts_at: :desc).limit(1)
      end.first&.next_focus
    end

    # Azimuth and elevation at the spot when the sortie starts, rise and set that day.
    def sun
      day = @sortie.starts_at.utc.to_date
      rise, set = Sun.rise_and_set(day, *@sortie.exercise.spot)
      {
        'azimuth_deg' => Serialisers.number(@setting.sun.azimuth_deg, 1),
        'elevation_deg' => Serialisers.number(@setting.sun.elevation_deg, 1),
        'rise' => Serialisers.time(rise),
        'set' => Serialisers.time(set)
      }
    end
  end
end
