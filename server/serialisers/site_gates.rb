# frozen_string_literal: true

module Fujin
  module Serialisers
    module_function

    # What is looked at in the air on the way into a site and out of it.
    # @param report [Manoeuvres::Confined::Report], @param line [String, nil] the approach that is flown
    # @return [Hash] the API's SiteGates
    def site_gates(report, line)
      approach = report.approaches.find { |one| one.id == line } || report.approaches.first
      dual = report.verdicts['train_dual']
      words = Manoeuvres::Confined::SiteCautions.new(report)
      way_out = report.departures.find { |one| one.id == dual.departure } || report.departures.first
      cautions = [*(words.of_approach(approach) if approach), *(words.of_departure(way_out) if way_out),
                  *report.cautions]
      { 'site' => report.site.name, 'verdict' => dual.verdict, 'because' => dual.because.first(2).map(&:clause),
        'gates' => [*(gates_in(report, approach) if approach), *(gates_out(way_out) if way_out)],
        'open' => report.survey.open, 'cautions' => cautions.map { |one| caution(one) } }
    end

    def gates_in(report, approach)
      start = approach.at(approach.start_m, :height_ft)
      line = format('%<course>03d°, %<angle>.1f°', course: approach.course_deg.round % 360,
                                                   angle: approach.angle_deg.value)
      [site_gate('course', 'Line in', line),
       site_gate('start', 'Start', on_both(report, approach, start)),
       site_gate('break_off', 'Break off by', break_off_words(report, approach))]
    rescue OutsideModel => e
      [site_gate('course', 'Line in', e.message)]
    end

    def break_off_words(report, approach)
      at = approach.break_off.gate_m
      at.is_a?(String) ? at : on_both(report, approach, approach.at(at, :height_ft))
    end

    # Over the spot, and on the altimeter.
    def on_both(report, approach, feet)
      over = feet.round(-1)
      altimeter = (over + report.site.elevation_ft + (approach.spot.ground_m / Quantities::FT)).round(-1)
      Text.of('%{over} ft, altimeter %{altimeter}', over: over, altimeter: altimeter)
    end

    def gates_out(departure)
      way = departure.best or return [site_gate('way_out', 'Way out', 'none today')]
      course = format('%03d°', departure.course_deg.round % 360)
      found = [site_gate('way_out', 'Way out', "#{course}, #{departure.ways.key(way).tr('_', ' ')}")]
      return found unless way.lift_speed.value

      feet = ->(number) { number.value ? "#{number.value.round(-1)} ft" : number.reason.to_s }
      found + [site_gate('lift', 'Lift felt by',
                         Text.of('%{lift}, stop by %{stop}',
                                 lift: feet.call(way.lift_point), stop: feet.call(way.commit_point)))]
    end

    def site_gate(id, label, value) = { 'id' => id, 'label' => label, 'value' => value }
  end
end
