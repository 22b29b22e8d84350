# frozen_string_literal: true

# A flight followed sample by sample as the cockpit does: the finders beside the monitor.
module Followed
  Live = ::Fujin::Live

  # @return [Array<Hash{String => Float}>] a recording's rows by channel name, without what was not recorded
  def samples_of(csv) = CSV.parse(csv, headers: true, converters: :float)
    .map { |row| row.to_h.select { |_, value| value.is_a?(Float) } }

  # @param samples [Array<Hash>] by channel name
  # @param exercises [Array<Fujin::Lessons::Exercise>] of the lesson, the first of them meant
  # @param every_s [Float] how often the finders look
  # @return [Array<Fujin::Live::Reading>]
  def readings_of(samples, *exercises, every_s: Live::UnderwaySeen::EVERY_S)
    open = open_day(exercises.first.context)
    window = Live::FlightWindow.new(open, exercises)
    underway = Live::UnderwaySeen.new(exercises, open, window)
    monitor = Live::Monitor.new(exercises.first)
    looked_s = watched = nil
    samples.map do |sample|
      window.take(sample)
      if looked_s.nil? || (sample['t_s'] - looked_s).abs >= every_s
        looked_s = sample['t_s']
        monitor.follow(watched = underway.look(exercises.first.id))
      end
      monitor.take(sample).tap { |reading| yield reading, monitor, watched if block_given? }
    end
  end

  def open_day(context) =
    Fujin::Lessons.context(conditions: context.conditions, stage: context.stage, wind: context.wind,
                           elevation_ft: context.elevation_ft)
end
