# frozen_string_literal: true

module Fujin
  # What a dispersion is asked: the sortie's day with changes tried on it, the student's own spread, the standard's
  # distance.
  class DispersionQuestion
    SEED = 1

    def initialize(sortie, changes = {}, exercise = nil)
      @setting = SortieSetting.new(sortie, changes, exercise)
    end

    # The same day, load and student ask the same question.
    def digest
      day = @setting.conditions
      Digest::SHA256.hexdigest(
        [
          day.type.data,
          day.mass_kg,
          day.wind.to_a,
          day.elevation_ft,
          day.oat_c,
          day.qnh_hpa,
          @setting.house.values,
          declaration.id,
          plan_options,
          @setting.sortie.stage,
          spread.to_a
        ].to_json
      )
    end

    # @raise [Conflict] for a manoeuvre that has no spot to reach
    def check!
      return if declaration.spot_planner

      raise Conflict,
            Text.of('%{declaration} has no spot to glide to: ask this of a straight-in, turning or S-turn ' \
              'autorotation.',
                    declaration: declaration.title)
    end

    def dispersion =
      Manoeuvres::Autorotation::Dispersion.new(
        @setting.conditions,
        @setting.house,
        **plan_options,
        planner: declaration.spot_planner,
        spread: spread
      )

    # @return [Hash] the answer of so many runs, as the API gives it
    def answer(dispersion, count)
      {
        'within_along_ft' => within[0],
        'within_across_ft' => within[1],
        'spread' => spread_view(dispersion),
        'step_ft' => Manoeuvres::Autorotation::DispersionField::STEP_FT,
        'from_along_ft' => Manoeuvres::Autorotation::DispersionField::ALONG_FT.first,
        'from_across_ft' => Manoeuvres::Autorotation::DispersionField::ACROSS_FT.first,
        'options' => dispersion.options.map { |option| option(dispersion, option, count) }
      }
    end

    private

    def declaration = @setting.declaration

    def plan_options
      exercise = @setting.exercise
      {
        course_deg: exercise.course_deg,
        height_ft: exercise.height_ft,
        settings: exercise.own_settings
      }
    end

    # What the standard calls in, for the stage.
    def within
      @within ||= begin
        rules = @setting.standards.fetch(declaration.id, declaration.standard)
        %w[miss_along_ft miss_across_ft].map { |id| rules.band(id, @setting.sortie.stage, {}).in[1] }
      end
    end

    def spread
      @spread ||=
        begin
          rows =
            AttemptRow.joins(:sortie).where(
              sorties: {
                student_id: @setting.sortie.student_id
              },
              manoeuvre: declaration.id,
              counts: true
            )
          plan = declaration.spot_planner.new(@setting.conditions, @setting.house, **plan_options)
          Manoeuvres::Autorotation::Spread.from(
            rows.pluck(:proposal).map { |proposal| proposal['measures'] },
            planned_delay_s: plan.planned_collective_delay_s
          )
        end
    end

    def spread_view(dispersion)
      text =
        if spread.own?
          Text.of('from %{attempts} earlier attempts', attempts: spread.attempts)
        else
          Text.count(spread.attempts, one: 'the stated default: %{count} earlier attempt, five wanted',
                                      other: 'the stated default: %{count} earlier attempts, five wanted')
        end
      {
        'attempts' => spread.attempts,
        'own' => spread.own?,
        'text' => text,
        'speed_kt' => spread.speed_kt.round(1),
        'entry_ft' => dispersion.entry_ft.round,
        'delay_s' => spread.delay_s.round(2)
      }
    end

    def option(dispersion, name, count)
      places = dispersion.places(name, count, seed: SEED)
      field = Manoeuvres::Autorotation::DispersionField.new(places, within_ft: within)
      summary = field.summary
      {
        'option' => name,
        'offset_ft' => dispersion.offset_ft(name).round,
        'probability' => field.probability(0, 0).round(3),
        'median_along_ft' => summary[:median][0].round,
        'median_across_ft' => summary[:median][1].round,
        'spread_along_ft' => summary[:spread][0].round,
        'spread_across_ft' => summary[:spread][1].round,
        'places' => places.first(150).map { |along, across| [along.round, across.round] },
        'field' => field.grid
      }
    end
  end
end
