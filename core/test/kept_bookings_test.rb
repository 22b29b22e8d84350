# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'kept'

# Bookings by lot: who, in what, when, with which papers, in which weather; what stands against each, as it was.
class KeptBookingsTest < Minitest::Test
  Bookings = Fujin::Bookings
  DAY = Date.new(2026, 6, 22)
  WEATHER = ['TAF XQLM 220500Z 2206/2306 35010KT 9999 BKN040=',
             'TAF XQLM 220500Z 2206/2306 35012G24KT 7000 SCT012 BKN018 TEMPO 2210/2214 3000 SHRA BKN008=', nil].freeze

  def test_what_stands_against_bookings_by_lot_is_as_it_was
    @random = Random.new(31)
    found = Array.new(300) { |i| [i.to_s, Kept.sum(clashes.map { |one| [one.id, one.level, one.text] })] }

    assert_operator found.count { |_, sums| sums['words'].positive? }, :>, 200
    assert_empty Kept.differences('bookings', found.to_h)
  end

  private

  def one_of(*all) = all.sample(random: @random)
  def some_of(all, most) = all.sample(@random.rand(most + 1), random: @random)
  def seldom(value) = @random.rand < 0.05 ? value : nil

  def clashes
    weather = one_of(*WEATHER)
    Bookings::Clashes.new(
      request,
      booked: Array.new(@random.rand(4)) { booked }, station: [47.2, -14.3], zone: lambda(&:utc),
      rules: Bookings::Rules.new('turnaround_min' => @random.rand(0..30)),
      forecast: weather && Fujin::Forecast.new(weather, Time.utc(2026, 6, 22, 6))
    ).to_a
  end

  def request
    Bookings::Request.new(
      id: 'new', kind: one_of('dual', 'solo', 'check'), slot: slot(15..200), aircraft: craft,
      student: party('oda', stage: one_of('early', 'solo', 'test')), instructor: party('corwin'),
      examiner: one_of(nil, party('petra'))
    )
  end

  def slot(minutes)
    from = Time.utc(2026, 6, 22, @random.rand(3..20), @random.rand(12) * 5)
    Bookings::Slot.new(from: from, to: from + (@random.rand(minutes) * 60))
  end

  def party(id, **more)
    papers = some_of(Bookings::DocumentKind.all.values, 5).map do |kind|
      Bookings::Document.new(kind: kind, valid_until: DAY + @random.rand(-3..60), valid_from: seldom(DAY + 2),
                             type_id: kind.by_type ? one_of('tansy-2', 'yarrow-4') : nil)
    end
    Bookings::Party.new(id: id, name: id.capitalize, documents: papers, away: seldom('is away'), **more)
  end

  def craft
    due = [Bookings::Due.new(title: '50 hour check', at_hours: 100.0 + @random.rand(-2..9)),
           Bookings::Due.new(title: 'annual', on_day: DAY + @random.rand(-2..20))]
    Bookings::Craft.new(id: 'tana', mark: 'Q-TANA', type_id: 'tansy-2', type_name: 'Tansy 2', hours: 100.0,
                        maintenance: some_of(due, 2), dual_controls: seldom(true).nil?, grounded: seldom('a chip.'))
  end

  def booked
    at = slot(20..150)
    Bookings::Booked.new(id: at.from.to_s, slot: at, words: 'dual with Basil',
                         people: %w[oda corwin petra basil].sample(2, random: @random),
                         instructs: [one_of('corwin', 'petra')], aircraft_id: one_of('tana', 'brac'))
  end
end
