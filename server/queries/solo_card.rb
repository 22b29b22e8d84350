# frozen_string_literal: true

module Fujin
  # What changes when the instructor stays on the ground: the exercise planned with both aboard and with the student
  # alone, from this pair's own masses and the same fuel, number beside number.
  class SoloCard
    # Those that a student notices, in the order in which they come.
    NUMBERS = %w[
      mass_kg hover_power_inhg hover_power_pct hover_oge_power_inhg hover_oge_power_pct power_margin_pct
      level_power_inhg climb_fpm roll_ft roll_time_s obstacle_distance_ft entry_distance_ft glide_sink_fpm min_sink_fpm
      rotor_rpm_on_floor_pct lowest_rotor_rpm_pct rotor_decay_to_90_s flare_rotor_rpm_peak_pct
      touchdown_groundspeed_kt slide_ft
    ].freeze
    # Less of a change than this is none, share of the number.
    WORTH = 0.005

    # @param sortie [Sortie], @param exercise [Exercise]
    def initialize(sortie, exercise)
      @sortie = sortie
      @plans = %w[dual solo].to_h { |who| [who, SortieSetting.new(sortie, { 'people_aboard' => who }, exercise).plan] }
    end

    # @return [Hash] the API's SoloCard
    def to_h
      { 'student' => @sortie.student.name, 'instructor' => @sortie.instructor.name, 'words' => words, 'rows' => rows }
    end

    private

    def values(name) = @plans.values.map { |plan| plan.numbers[name]&.value }

    def rows
      NUMBERS.filter_map do |name|
        dual, solo = values(name)
        next unless dual && solo && (dual - solo).abs > WORTH * dual.abs

        entry = Glossary.number(name, @plans['dual'].manoeuvre)
        { 'id' => name, 'label' => entry.label, 'unit' => @plans['dual'].numbers[name].unit, 'digits' => entry.digits,
          'dual' => Serialisers.number(dual), 'solo' => Serialisers.number(solo) }
      end
    end

    def words
      dual, solo = values('mass_kg')
      [
        Text.of('%{dual} kg lighter without %{instructor}.',
                dual: (dual - solo).round, instructor: @sortie.instructor.name),
        hover, floor,
        'Where the centre of gravity goes is for the loading sheet of the flight manual: Fujin does not work it out. ' \
          'Expect another attitude in the hover, and lift off slowly to find it.'
      ].compact
    end

    def hover
      name = %w[hover_power_inhg hover_power_pct].find { |one| values(one).all? } or return nil
      dual, solo = values(name)
      unit = Glossary.unit_word(@plans['dual'].numbers[name].unit)
      Text.of('It hovers at %{solo} %{unit} instead of %{dual}: less collective, and sooner light on the skids.',
              solo: solo.round(1), unit: unit, dual: dual.round(1))
    end

    def floor
      dual, solo = values('rotor_rpm_on_floor_pct')
      return nil unless dual && solo && solo < dual

      Text.of('With the collective fully down the rotor turns %{solo} % instead of %{dual} %: it stays fully down ' \
        'longer, and there is less to check.',
              solo: solo.round(1), dual: dual.round(1))
    end
  end
end
