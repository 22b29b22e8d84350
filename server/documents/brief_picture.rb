# frozen_string_literal: true

require_relative 'pdf_words'

module Fujin
  # The brief sheet's picture: the path from the side, and from above where it turns, each with one scale for both axes.
  class BriefPicture
    HEIGHT = 158
    # Below the ground line: distances.
    FOOT = 22
    RULE = 'CFC5AF'
    INK = PdfWords::INK
    # A path that leaves its line by more than this is drawn from above as well, feet.
    TURNS_FT = 200.0

    # @param write [Proc] turns text into letters that the PDF's fonts have
    def initialize(pdf, plan, width:, write:)
      @pdf = pdf
      @plan = plan
      @width = width
      @write = write
    end

    # Draws at the cursor and leaves it below.
    def draw
      return if @plan.path.size < 3

      @top = @pdf.cursor
      turning? ? both : side(0, @width)
      @pdf.move_cursor_to(@top - HEIGHT - 8)
    end

    private

    def turning? = @plan.path.map { |p| p.across_ft.abs }.max > TURNS_FT

    def both
      half = (@width / 2) - 10
      side(0, half)
      above(half + 20, half)
    end

    def along = @along ||= [0.0, *@plan.path.map(&:along_ft)].minmax

    def side(from, width)
      tall = [@plan.path.map(&:height_ft).max, 10.0].max
      scale = [width / (along[1] - along[0]), (HEIGHT - FOOT - 14) / tall].min
      ground = @top - HEIGHT + FOOT
      place = ->(x_ft, height_ft) { [from + ((x_ft - along[0]) * scale), ground + (height_ft * scale)] }
      ruled { @pdf.stroke_line([from, ground], [from + width, ground]) }
      heights(from, width, tall, place)
      distances(from, width, scale, ground)
      dashed(@plan.path.map { |p| place.call(p.along_ft, p.height_ft) })
      doors(place, from + width)
      triangle(*place.call(0.0, 0.0))
    end

    def heights(from, width, tall, place)
      step = round_step(tall, 3)
      step.step(tall, step) do |ft|
        y = place.call(0.0, ft)[1]
        ruled { @pdf.stroke_line([from, y], [from + width, y]) }
        say("#{ft.round} ft", from + 1, y + 2, 7)
      end
    end

    def distances(from, width, scale, ground)
      step = round_step(width / scale, 5)
      (along[0] / step)
        .ceil
        .upto(((along[0] + (width / scale)) / step).floor) do |n|
          say(
            n.zero? ? Text.of('spot') : "#{(n * step).abs.round} ft",
            from + (((n * step) - along[0]) * scale) - 8,
            ground - 11,
            7
          )
        end
    end

    def doors(place, right)
      @plan.gates.select(&:along_ft).each_with_index do |gate, i|
        x, y = place.call(gate.along_ft, gate.height_ft)
        @pdf.stroke_line([x, y - 7], [x, y + 7])
        say("#{Text.of(gate.title)} #{gate.height_ft.round} ft", [x + 3, right - 62].min, y + 4 + (9 * i), 8)
      end
    end

    # Final course to the right, right of it downwards.
    def above(from, width)
      across = [0.0, *@plan.path.map(&:across_ft)].minmax
      scale = [width / (along[1] - along[0]), (HEIGHT - FOOT) / (across[1] - across[0])].min
      place = ->(x_ft, y_ft) { [from + ((x_ft - along[0]) * scale), @top - 4 - ((y_ft - across[0]) * scale)] }
      dashed(@plan.path.map { |p| place.call(p.along_ft, p.across_ft) })
      x, y = place.call(0.0, 0.0)
      @pdf.stroke_circle([x, y], 3)
      feet = round_step(width / scale, 5)
      @pdf.stroke_line([from, @top - HEIGHT + 8], [from + (feet * scale), @top - HEIGHT + 8])
      say(Text.of('%{feet} ft, from above, final course to the right',
                  feet: feet.round), from + (feet * scale) + 4, @top - HEIGHT + 6, 7)
    end

    def dashed(points)
      @pdf.dash(5, space: 3)
      @pdf.stroke { points.each_with_index { |point, i| i.zero? ? @pdf.move_to(point) : @pdf.line_to(point) } }
      @pdf.undash
    end

    def ruled
      @pdf.stroke_color RULE
      yield
      @pdf.stroke_color INK
    end

    # A round number that fits about `count` times.
    def round_step(span, count)
      rough = span / count
      power = 10.0**Math.log10(rough).floor
      [1, 2, 5, 10].find { |step| step * power >= rough } * power
    end

    def triangle(x, y) = @pdf.fill_polygon([x, y], [x - 4, y + 7], [x + 4, y + 7])

    def say(string, x, y, size) = @pdf.draw_text(@write.call(string), at: [x, y], size: size)
  end
end
