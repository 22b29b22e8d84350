# frozen_string_literal: true

module Fujin
  # Rows as the API shows them.
  module Serialisers
    module_function

    def standard_change(change)
      {
        'was' => change.was,
        'values' => change.values,
        'reason' => change.reason,
        'by' => change.by.name,
        'at' => time(change.created_at),
        'effective_from' => change.effective_from.iso8601
      }
    end

    def place(row)
      far = row.shape && row.shape['type'] == 'LineString' ? row.outline.last : nil
      row.fields('id', 'name', 'kind', 'lat_deg', 'lon_deg', 'elevation_ft', 'courses', 'width_ft',
                 'height_ft').merge('far_end' => far && { 'lat_deg' => far[0], 'lon_deg' => far[1] })
    end

    def person_name(person) = { 'id' => person.id, 'name' => person.name }
    def time(value) = value&.utc&.iso8601(3)

    # As a list of lessons names it.
    def aircraft_line(row)
      type = row.type
      {
        'id' => row.id,
        'mark' => row.mark,
        'type_id' => row.type_id,
        'type_name' => type.name,
        'kind' => type.kind,
        'look_at_it' => row.look_at_it,
        'look_at_it_reason' => row.look_at_it_reason
      }
    end

    def aircraft(row)
      type = row.type
      aircraft_line(row).merge(
        'rotor_direction' => type.fetch('rotor.rotation'),
        'overall_length_ft' => number(type.overall_length_m / Quantities::FT, 1),
        'fuel_full_kg' => type.optional('fuel.full_kg', 100),
        'burn_kg_per_h' => type.burn_kg_per_h,
        'numbers' => type_numbers(type)
      )
    end

    def type_numbers(type)
      off = type.power_off_band
      on = type.power_on_band
      [
        ['Rotor rpm, power off', Text.of('%{low} to %{high}', low: off[0], high: off[1]), '%'],
        ['Rotor rpm, power on', Text.of('%{low} to %{high}', low: on[0], high: on[1]), '%'],
        ['Low-rpm warning', type.low_warning_pct.to_s, '%'],
        ['House glide speed', type.glide_speed_kt.to_s, 'kt'],
        ['Cruise', type.fetch('speeds_kt.cruise').to_s, 'kt'],
        ['Never exceed, power off', type.optional('speeds_kt.never_exceed_power_off', '—').to_s, 'kt'],
        ['Flare height', type.flare_height_ft.to_s, 'ft'],
        ['Greatest mass', type.fetch('masses_kg.max').to_s, 'kg'],
        ['Engine', type.fetch('engine.kind').tr('_', ' '), '']
      ].map { |label, value, unit| { 'label' => label, 'value' => value, 'unit' => unit } }
    end

    def fly_event(event, taps)
      {
        'id' => event.id,
        'kind' => event.kind,
        'at' => time(event.at),
        'attempt_no' => taps.number(event),
        'attempt_id' => event.attempt_id || (event.id if event.kind == 'attempt'),
        'phase' => event.phase,
        'payload' => event.payload,
        'undone' => taps.undone?(event),
        'by' => event.by.name
      }
    end

    # @param attempts [Integer] found in it
    def recording_row(row, attempts:)
      {
        'id' => row.id,
        'sortie_id' => row.sortie_id,
        'name' => row.name,
        'source' => row.source,
        'status' => row.status,
        'step' => row.step,
        'progress' => row.progress,
        'error' => row.error,
        'attempts' => attempts,
        'summary' => row.summary
      }
    end

    # @param progress [Hash{String => #stages, #next_step, #attempts}] how far each has come, by its id
    def sortie_rows(sorties, progress)
      shown = sorties.map(&:aircraft).uniq.to_h { |row| [row.id, aircraft_line(row)] }
      sorties.map { |one| sortie_row(one, progress.fetch(one.id), shown: shown.fetch(one.aircraft.id)) }
    end

    # @param progress [#stages, #next_step, #attempts] how far it has come
    # @param shown [Hash] the API's Aircraft
    def sortie_row(sortie, progress, shown: aircraft(sortie.aircraft))
      {
        'id' => sortie.id,
        'starts_at' => time(sortie.starts_at),
        'student' => person_name(sortie.student),
        'instructor' => person_name(sortie.instructor),
        'aircraft' => shown,
        'title' => sortie.title,
        'manoeuvres' => sortie.manoeuvres,
        'stage' => sortie.stage,
        'progress' => progress.stages,
        'next_step' => progress.next_step,
        'attempts' => progress.attempts,
        'next_focus' => sortie.next_focus
      }
    end

    def plan_setting(name)
      setting = Planning::Settings::BY_NAME.fetch(name)
      range = setting.allowed.is_a?(Range)
      {
        'name' => name,
        'label' => setting.label,
        'stands_for' => setting.stands_for,
        'unit' => setting.unit,
        'default' => setting.default,
        'low' => range ? setting.allowed.begin : nil,
        'high' => range ? setting.allowed.end : nil,
        'choices' => range ? [] : setting.allowed
      }
    end

    # @param advice [Progress::NextLesson::Advice]
    def advice(advice)
      {
        'manoeuvre' => advice.manoeuvre,
        'title' => Catalogue.find(advice.manoeuvre).title,
        'reason' => advice.reason,
        'settings' => advice.settings,
        'count' => advice.attempts
      }
    end

    # Announced against surprise: the middle of each, demonstrations left out.
    # @param flown [Array<KeptAttempt>]
    def reactions(flown)
      Grading::PartTask::MANNERS.first(2).filter_map do |manner|
        values = flown.select { |one| one.counts && one.manner == manner }
          .filter_map { |one| one.graded.measures['collective_delay_s'] }
        next if values.empty?

        { 'manner' => manner, 'median_s' => number(Quantities.median(values), 2), 'attempts' => values.size }
      end
    end

    # @param count [Progress::BlockCount]
    def block(count)
      block = count.block
      {
        'id' => block.id,
        'title' => block.title,
        'reason' => block.reason,
        'complete' => count.complete?,
        'begun' => count.begun?,
        'needed_for' => block.needed_for.map { |id| Catalogue.find(id).title },
        'solo' => block.solo,
        'rungs' => block.rungs.zip(count.done).map do |rung, done|
          { 'words' => rung.words, 'count' => rung.wanted, 'done' => done }
        end,
        'unplaced' => count.unplaced.map { |name| plan_or_measure(name) }
      }
    end

    # A setting's or a measure's name in words.
    def plan_or_measure(name)
      Planning::Settings::BY_NAME[name]&.label || Glossary.measure(name).label
    end

    def school_block(block)
      {
        'id' => block.id,
        'title' => block.title,
        'reason' => block.reason,
        'needed' => block.needed_for.any?,
        'rungs' => block.rungs.map { |rung| { 'words' => rung.words, 'count' => rung.wanted } }
      }
    end

    # @param progress [#standing] of one student
    def standing(progress, manoeuvre_id)
      standing, readiness, count = progress.standing(manoeuvre_id)
      {
        'manoeuvre' => manoeuvre_id,
        'title' => Catalogue.find(manoeuvre_id).title,
        'attempts' => count,
        'level' => standing.level,
        'trend' => standing.trend,
        'last_flown' => standing.last_flown&.iso8601,
        'weakest_phase' => standing.weakest_phase,
        'stuck' => standing.stuck?,
        'ready' => readiness.ready?,
        'conditions' => readiness.conditions.map { |c| { 'id' => c.id, 'met' => c.met, 'text' => c.text } }
      }
    end

    # @param broken [String, nil] what of its link does not hold; nil where it was not looked at, or holds
    def sign_off(row, broken: nil)
      statement = row.statement
      {
        'id' => row.id,
        'student' => person_name(row.student),
        'by' => row.by.name,
        'manoeuvre' => row.manoeuvre,
        'title' => Catalogue.find(row.manoeuvre).title,
        'remark' => statement['remark'],
        'signed_at' => statement['signed_at'],
        'hash' => row.document_hash,
        'code' => SignOffCode.of(row.document_hash),
        'previous_hash' => statement['previous_hash'],
        'public_key' => row.parsed['public_key'],
        'withdrawn' => !row.withdrawal.nil?,
        'withdrawn_reason' => row.withdrawal&.reason,
        'withdrawn_by' => row.withdrawal&.by&.name,
        'withdrawn_at' => time(row.withdrawal&.created_at),
        'evidence' => statement['evidence'],
        'conditions' => statement['conditions'],
        'scope' => statement['scope'],
        'validity' => statement.fetch('validity', []),
        'broken' => broken
      }
    end

    def house(school, own: {})
      method = Planning::HouseMethod.new(school.house.merge(own))
      settings = Planning::HouseMethod::SETTINGS.map do |setting|
        range = setting.allowed.is_a?(Range)
        { 'name' => setting.name, 'question' => setting.question, 'default' => setting.default, 'unit' => setting.unit,
          'low' => range ? setting.allowed.begin : nil, 'high' => range ? setting.allowed.end : nil,
          'choices' => setting.reasons.map { |value, reason| { 'value' => value, 'reason' => reason } } }
      end
      { 'values' => method.values, 'version' => school.lock_version, 'settings' => settings, 'own' => own }
    end
  end
end
