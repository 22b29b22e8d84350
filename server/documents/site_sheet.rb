# frozen_string_literal: true

require_relative 'pdf_words'

module Fujin
  # A site on one page, for the cockpit: from above in true scale, the line in and the way out with their numbers in
  # gauge units and altimeter feet, what is open, what to watch.
  class SiteSheet
    INK = PdfWords::INK
    SOFT = PdfWords::SOFT
    LIMIT = PdfWords::LIMIT
    RULE = 'CFC5AF'
    WIDTH = 523
    TALL = 270
    # Ground shown around the site, m.
    AROUND_M = 60.0
    WAYS = { 'towering' => 'straight up', 'with_a_run' => 'with a run',
             'backtrack' => 'with a run from the far end' }.freeze

    # @param report [Manoeuvres::Confined::Report], @param line [String, nil] the approach that is flown
    def initialize(pdf, report, line)
      @pdf = pdf
      @report = report
      @day = report.day
      @site = report.site
      @approach = report.approaches.find { |one| one.id == line } || report.approaches.first
      @departure = way_out
    end

    def draw
      write(@site.name, size: 19, style: :bold)
      write(heading, size: 10, color: SOFT)
      verdict
      @pdf.move_down 4
      picture
      columns
    end

    private

    def text(string) = PdfWords.plain(string)
    def write(string, **options) = @pdf.text(text(string), **options)
    def dual = @report.verdicts['train_dual']

    def way_out
      mine = @report.departures.select { |one| @approach.nil? || one.spot.id == @approach.spot.id }
      mine.find { |one| one.id == dual.departure } || mine.first
    end

    def heading
      Text.of('%{elevation_ft} ft, %{surface} · wind %{wind} · density altitude %{density_altitude_ft} ft · ' \
        '%{mass_kg} kg',
              elevation_ft: @site.elevation_ft.round,
              surface: @site.surface.to_s.tr('_', ' '),
              wind: @day.wind || 'not given', density_altitude_ft: @report.density_altitude_ft.round,
              mass_kg: @day.conditions.mass_kg.round)
    end

    def verdict
      words = { 'suitable' => 'Suitable', 'if' => 'Suitable if', 'not' => 'Not suitable' }
      said = dual.verdict ? words.fetch(dual.verdict) : 'No verdict: no wind is given'
      because = Text.list(dual.because.first(3).map(&:clause), '; ')
      said = Text.of('%{what}: %{told}', what: said, told: because) unless because.empty?
      color = dual.verdict == 'not' ? LIMIT : INK
      write(Text.of('Dual: %{said}', said: said), size: 12, style: :bold, color: color)
      open = @report.survey.open
      write(Text.of('Open: %{open}', open: Text.list(open)), size: 10, color: LIMIT) if open.any?
    end

    def picture
      points = @site.rings[0] + @report.rooms.map { |room| room.spot.at }
      north = points.map(&:real).minmax.then { |low, high| [low - AROUND_M, high + AROUND_M] }
      east = points.map(&:imaginary).minmax.then { |low, high| [low - AROUND_M, high + AROUND_M] }
      scale = [TALL / (north[1] - north[0]), WIDTH / (east[1] - east[0])].min
      top = @pdf.cursor
      middle = [(north.sum / 2.0), (east.sum / 2.0)]
      @place = ->(at) do
        [(WIDTH / 2.0) + ((at.imaginary - middle[1]) * scale), top - (TALL / 2.0) + ((at.real - middle[0]) * scale)]
      end
      @pdf.bounding_box([0, top], width: WIDTH, height: TALL) { @pdf.stroke_bounds }
      @pdf.save_graphics_state do
        @pdf.rectangle([0, top], WIDTH, TALL)
        @pdf.add_content('W n')
        shapes(scale)
      end
      say('N', WIDTH - 14, top - 14, 11)
      @pdf.move_cursor_to(top - TALL - 8)
    end

    def shapes(scale)
      @pdf.line_width = 1.4
      @site.rings.each { |ring| closed(ring) }
      @pdf.line_width = 0.8
      @site.standing.each { |one| obstacle(one, scale) }
      line(@approach, 4) if @approach
      line(@departure, 1.5) if @departure
      gate
      rooms(scale)
    end

    def rooms(scale)
      @report.rooms.each do |room|
        centre = @place.call(room.spot.at)
        @pdf.stroke_circle(centre, @day.clearances.radius_m * scale)
        @pdf.dash(2)
        @pdf.stroke_circle(centre, @day.clearances.half_width_m * scale)
        @pdf.undash
      end
    end

    def obstacle(one, scale)
      @pdf.stroke_color(one.wire? || one.open? ? LIMIT : INK)
      if one.line then open_line(one.line)
      elsif one.point? then @pdf.stroke_circle(@place.call(one.rings[0][0]), [one.radius_m * scale, 2.5].max)
      else
        one.rings.each { |ring| closed(ring) }
      end
      @pdf.stroke_color(INK)
      x, y = @place.call(one.rings[0].sum(Complex(0, 0)) / one.rings[0].size)
      top = one.top ? " #{(one.top.value / Quantities::FT).round} ft" : ''
      say("#{one.id.tr('-', ' ')}#{top}", x - 20, y + 5, 8)
    end

    def closed(ring) = @pdf.stroke_polygon(*ring.map { |at| @place.call(at) })
    def open_line(points) = points.each_cons(2) { |a, b| @pdf.stroke_line(@place.call(a), @place.call(b)) }

    def line(flown, dash)
      @pdf.line_width = 1.8
      @pdf.dash(dash)
      open_line(flown.line.points)
      @pdf.undash
      @pdf.line_width = 0.8
    end

    # Where it is decided, across the line in.
    def gate
      at = @approach&.break_off&.gate_m
      return unless at.is_a?(Float)

      x, y = @place.call(@approach.corridor.at(at))
      @pdf.stroke_line([x - 7, y], [x + 7, y])
      say("#{@approach.at(at, :height_ft).round(-1)} ft", x + 10, y - 3, 9)
    rescue OutsideModel
      nil
    end

    def say(string, at_x, at_y, size) = @pdf.draw_text(text(string), at: [at_x, at_y], size: size)

    def columns
      top = @pdf.cursor
      half = (WIDTH / 2) - 8
      @pdf.bounding_box([0, top], width: half) { lines }
      @pdf.bounding_box([half + 16, top], width: half) { watch }
    end

    def looks
      found = @report.reconnaissance
      @pdf.move_down 4
      write('The two looks', size: 12, style: :bold)
      row('High', Text.of('to the %{side}, %{orbit_height}, %{speed_kt} kt, %{orbit_radius} from it',
                          side: found.side, orbit_height: number(found.orbit_height, ' ft'),
                          speed_kt: found.speed_kt.round, orbit_radius: number(found.orbit_radius, ' ft')))
      row('Low', Text.of('along the line in at %{pass_height}, away over the spot at the latest',
                         pass_height: number(found.pass_height, ' ft')))
    end

    def lines
      way_in if @approach
      outward if @departure
      power
      @report.rooms.each { |room| room_of(room) }
      looks
    end

    def row(label, value, **options)
      told = "<b>#{Text.of(value)}</b>"
      write(Text.of('%{what}: %{told}', what: label, told: told), size: 9.5, inline_format: true, **options)
    end

    def way_in
      write(Text.of('In: %{id}', id: @approach.id.tr('-', ' ')), size: 12, style: :bold)
      row('Course', format('%03d°', @approach.course_deg.round % 360))
      row('Needs, fly', "#{number(@approach.angle_needed, '°', 1)}, #{number(@approach.angle_deg, '°', 1)}")
      row('Break off by', break_off, size: 12)
      row('Least over what stands there', number(@approach.least_clearance[0], ' ft'))
      @approach.breaches.each do |one|
        write(Text.of('Over the limits: %{clause}', clause: one.clause), size: 9.5, color: LIMIT)
      end
    end

    # Over the ground, and on the altimeter.
    def break_off
      gate = @approach.break_off.gate_m
      return gate if gate.is_a?(String)

      feet = @approach.at(gate, :height_ft).round(-1)
      altimeter = (feet + @site.elevation_ft + (@approach.spot.ground_m / Quantities::FT)).round(-1)
      Text.of('%{feet} ft (%{altimeter} on the altimeter), %{gate} ft out',
              feet: feet, altimeter: altimeter, gate: (gate / Quantities::FT).round(-1))
    rescue OutsideModel
      'no plan'
    end

    def outward
      way = @departure.best
      @pdf.move_down 4
      write(Text.of('Out: %{id}', id: @departure.id.tr('-', ' ')), size: 12, style: :bold)
      row('Course', format('%03d°', @departure.course_deg.round % 360))
      return row('Way', Text.of('none'), color: LIMIT) unless way

      row('Way', Text.of('%{way}, %{verdict}', way: WAYS.fetch(@departure.ways.key(way)), verdict: way.verdict))
      if way.lift_speed.value
        row('Lift felt by',
            Text.of('%{lift_point}, else stop by %{commit_point}',
                    lift_point: number(way.lift_point, ' ft'), commit_point: number(way.commit_point, ' ft')))
      end
      row('Least over what stands there', number(way.clearance, ' ft'))
    end

    def power
      engine = Flight::Engine.new(@day.nominal.type, @day.conditions.atmosphere)
      unit = engine.instrument_unit == 'pct' ? '%' : 'inHg'
      shown = ->(watts) { "#{engine.instrument(watts, 1.0).round(1)} #{unit}" }
      @pdf.move_down 4
      row('Hover at 4 ft', shown.call(@day.trim.hover_power_w(height_m: 4 * Quantities::FT)))
      row('There is', shown.call(engine.max_power_w))
      row('Left', Text.of('%{margin_ige_pct} % at 4 ft, %{margin_pct} % high',
                          margin_ige_pct: @day.margin_ige_pct&.round, margin_pct: @day.margin_pct&.round))
    rescue OutsideModel => e
      row('Power', e.message, color: LIMIT)
    end

    def room_of(room)
      headings = room.room.headings_clear
      said = if headings.empty? then Text.of('none')
             elsif headings == [[0, 360]] then Text.of('all')
             else
               Text.list(headings.map { |from, to| span(from, to) })
             end
      row(Text.of('%{id}, rotor clear by', id: room.spot.id), number(room.room.main, ' ft'))
      row('Headings with room for the tail', said)
    end

    def span(from, to) = Text.of('%{from} to %{to}', from: format('%03d', from), to: format('%03d', to))

    def watch
      write('To watch', size: 12, style: :bold)
      words = Manoeuvres::Confined::SiteCautions.new(@report)
      said = [*(words.of_approach(@approach) if @approach), *(words.of_departure(@departure) if @departure),
              *@report.cautions]
      said.each do |one|
        break if @pdf.y < 48

        write(one.text, size: 9, color: one.level == 'limit' ? LIMIT : INK)
        @pdf.move_down 2
      end
      write('From what was surveyed and the flight model: the flight manual, local rules and a licensed instructor ' \
        'decide.',
            size: 8, color: SOFT)
    end

    def number(found, unit, digits = 0)
      return Text.of(found.reason.to_s.tr('_', ' ')) if found.value.nil?

      "#{digits.zero? ? found.value.round : found.value.round(digits)}#{unit}"
    end
  end
end
