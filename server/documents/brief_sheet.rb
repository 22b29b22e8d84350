# frozen_string_literal: true

require 'prawn'

module Fujin
  # One printable page for one exercise: picture, numbers, gates, set-up, cautions. PDF.
  class BriefSheet
    INK = '1B2738'
    SOFT = '4C5868'
    RULE = 'CFC5AF'
    LIMIT = 'A82C14'
    WIDTH = 523
    PICTURE_HEIGHT = 150
    # Letters that the PDF's own fonts do not have.
    LETTERS = { '−' => '-', '≤' => 'at most', '½' => '1/2', '²' => '2', '√' => 'root ', 'Ω' => 'omega', 'μ' => 'mu', 'Φ' => 'bank', '→' => 'to', "\u00a0" => ' ' }.freeze

    UNITS = { 'pct' => '%', 'fpm' => 'ft/min', 'deg' => '°', 'kw' => 'kW', 'm_s' => 'm/s', 'deg_s' => '°/s', 'kj' => 'kJ' }.freeze
    DIGITS = { 'ft' => 0, 'kt' => 0, 'fpm' => 0, 'kg' => 0, 'index' => 2 }.freeze

    # @param sortie [Sortie], @param plan [Planning::Plan]
    def initialize(sortie, plan)
      @sortie = sortie
      @plan = plan
      @pdf = Prawn::Document.new(page_size: 'A4', margin: 36, info: { Title: "#{sortie.declaration.title}, #{sortie.student.name}" })
      @pdf.fill_color INK
      @pdf.stroke_color INK
    end

    # @return [String] the file's bytes
    def render
      heading
      picture
      key_numbers
      columns
      cautions
      @pdf.render
    end

    private

    def text(string) = string.to_s.gsub(/[−≤½²√ΩμΦ→\u00a0]/, LETTERS)

    def write(string, **options) = @pdf.text(text(string), **options)

    def heading
      write(@sortie.declaration.title, size: 19, style: :bold)
      write(
        "#{@sortie.student.name} with #{@sortie.instructor.name} · #{@sortie.aircraft.mark} #{@sortie.aircraft.type.name} · " \
        "#{@sortie.starts_at.utc.strftime('%-d %B %Y, %H:%M UTC')}", size: 10, color: SOFT
      )
      write("Wind #{@plan.conditions.wind} · final course #{@plan.course_deg.round}° · #{@sortie.spot_name} · #{@plan.conditions.mass_kg.round} kg · standard '#{@sortie.stage}'",
            size: 10, color: SOFT)
      write("Objective: #{@sortie.objective}", size: 10) if @sortie.objective
      @pdf.move_down 6
    end

    # Side view of the path with its gates, in true scale where the path is longer than it is high.
    def picture
      path = @plan.path
      return if path.size < 3

      top = @pdf.cursor
      low, high = path.map(&:along_ft).minmax
      tall = [path.map(&:height_ft).max, 10.0].max
      scale = [WIDTH / [high - low, 1.0].max, (PICTURE_HEIGHT - 24) / tall].min
      place = ->(along, height) { [(along - low) * scale, top - PICTURE_HEIGHT + 14 + (height * scale)] }
      @pdf.stroke_color RULE
      @pdf.stroke_line([0, place.call(low, 0)[1]], [WIDTH, place.call(low, 0)[1]])
      @pdf.stroke_color INK
      @pdf.dash(5, space: 3)
      path.each_cons(2) { |a, b| @pdf.stroke_line(place.call(a.along_ft, a.height_ft), place.call(b.along_ft, b.height_ft)) }
      @pdf.undash
      doors(place)
      @pdf.move_cursor_to(top - PICTURE_HEIGHT - 4)
    end

    def doors(place)
      @plan.gates.select(&:along_ft).each do |gate|
        x, y = place.call(gate.along_ft, gate.height_ft)
        @pdf.stroke_line([x, y - 8], [x, y + 8])
        @pdf.draw_text(text("#{gate.id} #{gate.height_ft.round} ft"), at: [[x + 3, WIDTH - 90].min, y + 4], size: 8)
      end
    end

    def key_numbers
      keys = Manoeuvres.find(@plan.manoeuvre).key_numbers.first(6)
      width = WIDTH / keys.size.to_f
      top = @pdf.cursor
      keys.each_with_index do |name, i|
        @pdf.bounding_box([i * width, top], width: width - 4, height: 34) do
          write(Planning::NumberReasons.label(name), size: 8, color: SOFT)
          write(figure(@plan.numbers.fetch(name)), size: 14, style: :bold)
        end
      end
      @pdf.stroke_horizontal_rule
      @pdf.move_down 6
    end

    def figure(number)
      return '-' if number.value.nil?

      unit = number.unit == 'index' ? '' : " #{UNITS.fetch(number.unit, number.unit)}"
      "#{format("%.#{DIGITS.fetch(number.unit, 1)}f", number.value)}#{unit}"
    end

    # Numbers on the left; set-up, gates and what to say on the right.
    def columns
      top = @pdf.cursor
      left = (WIDTH / 2) - 8
      ends = [column(0, left, top) { numbers }, column(left + 16, left, top) { on_the_way }]
      @pdf.move_cursor_to([ends.min - 4, 60].max)
    end

    def column(from, width, top)
      finish = top
      @pdf.bounding_box([from, top], width: width) do
        yield
        finish = @pdf.cursor
      end
      top - (top - @pdf.cursor).abs < finish ? @pdf.cursor : finish
    end

    def numbers
      keys = Manoeuvres.find(@plan.manoeuvre).key_numbers.first(6)
      @plan.numbers.except(*keys).reject { |_, n| n.value.nil? }.first(26).each do |name, number|
        write("#{Planning::NumberReasons.label(name)}: <b>#{figure(number)}</b>", size: 8.5, inline_format: true)
      end
    end

    def on_the_way
      write('Set-up', size: 9, style: :bold)
      write(@plan.setup.text, size: 8.5) if @plan.setup
      @plan.gates.each { |gate| write("#{gate.id}, #{gate.height_ft.round} ft: #{gate_text(gate)}", size: 8.5) }
      @pdf.move_down 4
      write('Checks', size: 9, style: :bold)
      @sortie.declaration.checks.each { |check| write("[ ] #{check}", size: 8.5) }
      @pdf.move_down 4
      write('What usually goes first', size: 9, style: :bold)
      @sortie.declaration.faults.first(4).each { |fault| write("#{fault.title}: #{@sortie.declaration.text_for(fault.cue, @sortie.aircraft.type)}", size: 8.5) }
    end

    def gate_text(gate)
      bands = gate.measures.map { |_, m| "#{m[:low].round} to #{m[:high].round} #{UNITS.fetch(m[:unit], m[:unit])}" }
      [*bands, gate.text].compact.join('; ').then { |found| found.empty? ? 'in band, or go around' : found }
    end

    def cautions
      @pdf.stroke_horizontal_rule
      @pdf.move_down 4
      @plan.cautions.each do |caution|
        break if @pdf.cursor < 14

        limit = caution.level == 'limit'
        write("#{'LIMIT: ' if limit}#{caution.text}", size: 8, style: limit || caution.level == 'caution' ? :bold : :normal, color: limit ? LIMIT : INK)
      end
    end
  end
end
