# frozen_string_literal: true

# A recording written out from formulas of time, without noise: what a measure must say of it is known in closed form.
# Position is feet north and east of the spot; nil leaves a cell empty.
class WrittenFlight
  Q = Fujin::Quantities
  STEP_S = 0.1
  # Feet a second of a knot.
  FT_S = 1.68781
  STILL = {
    'north_ft' => 0.0,
    'east_ft' => 0.0,
    'agl_ft' => 0.0,
    'gs_kt' => 0.0,
    'track_deg' => 350.0,
    'hdg_deg' => 350.0,
    'ias_kt' => 0.0,
    'vs_fpm' => 0.0,
    'pitch_deg' => 0.0,
    'roll_deg' => 0.0,
    'nr_pct' => 100.0,
    'ne_pct' => 100.0,
    'collective_pct' => 40.0,
    'pedal_pct' => 0.0,
    'throttle_pct' => 80.0,
    'map_inhg' => 20.0
  }.freeze

  attr_reader :csv

  # @param seconds [Float] how long
  # @yield [t_s] the columns that differ from standing still
  def initialize(seconds, columns: STILL.keys, step_s: STEP_S)
    rows =
      (0..(seconds / step_s).round)
        .map { |i| (i * step_s).round(1) }
        .map { |t| { 't_s' => t }.merge(placed(STILL.merge(yield(t)).slice(*columns))) }
    @csv =
      [rows.first.keys.join(','), *rows.map { |row| row.values.map { |v| v&.round(8) }.join(',') }].join("\n") << "\n"
  end

  # Cut by hand into phases and measured.
  # @param cut [Hash{String => Array(Float, Float)}] start and end of each phase
  # @return [Fujin::Grading::Proposal]
  def measured(
    manoeuvre,
    cut,
    type: Fujin::Aircraft::Library.find('tansy-2'),
    wind: Fujin::Wind.calm,
    house: Fujin::Planning::HouseMethod.new,
    stage: 'solo',
    events: {},
    result: :completed,
    ranges: true,
    **context
  )
    day = Fujin::Planning::Conditions.build(type: type, wind: wind)
    signals =
      Fujin::Recordings::Signals.new(Fujin::Recordings.read(csv), type: type, atmosphere: day.atmosphere, wind: wind)
    spot = context.delete(:spot) { CoreHelp::SPOT }
    about =
      Fujin::Lessons.context(
        conditions: day,
        house: house,
        stage: stage,
        spot: spot,
        wind: wind,
        planned: true,
        **context
      )
    phases = cut.map { |id, (from, to)| { 'id' => id, 'start_s' => from, 'end_s' => to } }
    Fujin::Grading::Recut.new(signals, about, ranges: ranges).propose(manoeuvre, phases, events: events, result: result)
  end

  private

  def placed(row)
    return row unless row.key?('north_ft')
    return { 'lat_deg' => nil, 'lon_deg' => nil }.merge(row.except('north_ft', 'east_ft')) unless row['north_ft']

    lat, lon = CoreHelp::SPOT
    map = Fujin::LocalMap.new(lat, lon)
    at = map.lat_lon(row['north_ft'] * Q::FT, row['east_ft'] * Q::FT)
    { 'lat_deg' => at[0], 'lon_deg' => at[1] }.merge(row.except('north_ft', 'east_ft'))
  end
end
