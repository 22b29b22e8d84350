# frozen_string_literal: true

module Fujin
  # An aircraft's power settings phase by phase: as its flights showed them, and beside them what to expect today.
  class PowerCard
    # @param aircraft [AircraftRow]
    # @param setting [SortieSetting, nil] the day to expect something of
    def initialize(aircraft, setting = nil)
      @aircraft = aircraft
      @setting = setting
    end

    # @return [Hash] the API's PowerCard
    def to_h
      { 'flights' => cards.size,
        'unit' => Flight::Engine.new(@aircraft.type, Atmosphere.new).instrument_unit,
        'settings' => Recordings::PowerCard::PHASES.keys.filter_map { |phase| row(phase) } }
    end

    private

    def row(phase)
      value, flights = flown[phase]
      return nil unless value || planned[phase]

      { 'phase' => phase, 'value' => value && Serialisers.number(value, 1), 'flights' => flights || 0,
        'planned' => planned[phase] && Serialisers.number(planned[phase], 1) }
    end

    def flown = @flown ||= Recordings::PowerCard.together(cards)

    def planned
      @planned ||= @setting ? Planning::PowerSettings.of(@setting.conditions, @setting.house) : {}
    rescue InvalidInput, OutsideModel
      @planned = {}
    end

    def cards
      @cards ||= RecordingRow.joins(:sortie).where(sorties: { aircraft_id: @aircraft.id }, status: 'ready')
        .pluck(Arel.sql("summary->'power_card'")).compact
    end
  end
end
