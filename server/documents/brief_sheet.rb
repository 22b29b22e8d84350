# frozen_string_literal: true

require_relative 'pdf_words'
require_relative 'brief_picture'
require_relative 'site_sheet'

module Fujin
  # A printable page for each exercise of a lesson: picture, numbers, gates, set-up, cautions. PDF.
  class BriefSheet
    include PdfWords

    RULE = 'CFC5AF'
    WIDTH = 523
    # Working numbers end where the page does, points from its lower edge.
    BOTTOM = 48

    # @param sortie [Sortie]
    # @param plans [Hash{Exercise => Planning::Plan, Error}] in the lesson's order; an error where none can be made
    # @param said [#call] exercise to what else is said of it, a sentence each
    # @param sites [Hash{Exercise => Manoeuvres::Confined::Report}] of those that lead to a surveyed site
    # @param mark [PrintMark, nil] the school's own
    def initialize(sortie, plans, said: ->(_) { [] }, sites: {}, mark: nil)
      @mark = mark
      @sortie = sortie
      @plans = plans
      @said = said
      @sites = sites
      @pdf =
        Prawn::Document.new(
          page_size: 'A4',
          margin: 36,
          info: {
            Title: text("#{sortie.title}, #{sortie.student.name}")
          }
        )
      @pdf.fill_color INK
      @pdf.stroke_color INK
    end

    # @return [String] the file's bytes
    def render
      day if @plans.size > 1
      @plans.each do |exercise, plan|
        @pdf.start_new_page if @plans.size > 1
        plan.is_a?(Error) ? no_plan(exercise, plan) : page(exercise, plan)
        site(exercise) if @sites[exercise]
      end
      @mark&.draw(@pdf)
      @pdf.render
    end

    private

    # The day on one page: what is flown, in its order.
    def day
      write(@sortie.title, size: 19, style: :bold)
      who
      @pdf.move_down 8
      @plans.each_key.with_index do |exercise, i|
        write("#{i + 1}. #{planned(exercise)}", size: 12, style: :bold)
        write([exercise.spot_name, exercise.objective].compact.join(' · '), size: 10)
        @pdf.move_down 4
      end
    end

    def planned(exercise)
      title = exercise.declaration.title
      return Text.of(title) unless exercise.planned_count

      Text.count(exercise.planned_count, one: '%{title}, %{count} attempt', other: '%{title}, %{count} attempts',
                                         title: title)
    end

    def page(exercise, plan)
      @exercise = exercise
      @plan = plan
      heading
      picture
      key_numbers
      cautions
      columns
    end

    # A page of its own: the site is what is taken along.
    def site(exercise)
      @pdf.start_new_page
      SiteSheet.new(@pdf, @sites.fetch(exercise), exercise.site_line).draw
    end

    # What cannot be planned says why, and the other pages stand.
    def no_plan(exercise, error)
      write(exercise.declaration.title, size: 19, style: :bold)
      who
      write(Text.of('No plan can be made: %{message}', message: error.message), size: 11, color: LIMIT)
    end

    def who = write(
      Text.of('%{student} with %{instructor} · %{mark} %{type} · %{starts_at}',
              student: @sortie.student.name, instructor: @sortie.instructor.name, mark: @sortie.aircraft.mark,
              type: @sortie.aircraft.type.name, starts_at: starts_at),
      size: 10, color: SOFT
    )

    def starts_at
      at = @sortie.starts_at.utc
      Text.of('%{day}, %{time} UTC', day: Text.day(at.to_date), time: at.strftime('%H:%M'))
    end

    def text(string) = PdfWords.plain(string)

    def write(string, **options) = @pdf.text(text(string), **options)

    def heading
      write(@exercise.declaration.title, size: 19, style: :bold)
      who
      write(
        Text.of("Wind %{wind} · final course %{course_deg}° · %{spot_name} · %{mass_kg} kg · standard '%{stage}'",
                wind: @plan.conditions.wind, course_deg: @plan.course_deg.round, spot_name: @exercise.spot_name,
                mass_kg: @plan.conditions.mass_kg.round, stage: @sortie.stage),
        size: 10,
        color: SOFT
      )
      write(Text.of('Objective: %{objective}', objective: @exercise.objective), size: 10) if @exercise.objective
      @said.call(@exercise).each { |line| write(line, size: 10) }
      @pdf.move_down 6
    end

    def picture
      BriefPicture.new(@pdf, @plan, width: WIDTH, write: method(:text)).draw
    end

    def key_numbers
      keys = (Catalogue.find(@plan.manoeuvre).key_numbers & @plan.numbers.keys).first(6)
      width = WIDTH / keys.size.to_f
      top = @pdf.cursor
      keys.each_with_index do |name, i|
        @pdf.bounding_box([i * width, top], width: width - 4, height: 34) do
          write(words(name).label, size: 8, color: SOFT)
          write(said(name, @plan.numbers.fetch(name)), size: 14, style: :bold)
        end
      end
      @pdf.stroke_horizontal_rule
      @pdf.move_down 6
    end

    def words(name) = Glossary.number(name, @plan.manoeuvre)
    def said(name, number) = number.value ? Glossary.said(number.value, number.unit, words(name).digits) : '-'
    def figure(name, number) = number.value ? Glossary.figure(number.value, number.unit, words(name).digits) : '-'

    # Numbers on the left; set-up, gates and what to say on the right.
    def columns
      top = @pdf.cursor
      left = (WIDTH / 2) - 8
      @pdf.bounding_box([0, top], width: left) { numbers }
      @pdf.bounding_box([left + 16, top], width: left) { on_the_way }
    end

    def numbers
      keys = Catalogue.find(@plan.manoeuvre).key_numbers.first(6)
      @plan.numbers.except(*keys).reject { |_, n| n.value.nil? }.each do |name, number|
        break if @pdf.y < BOTTOM

        pair(words(name).label, "<b>#{figure(name, number)}</b>", inline_format: true)
      end
    end

    def on_the_way
      write('Set-up', size: 9, style: :bold)
      write(@plan.setup.text, size: 8.5) if @plan.setup
      @plan.gates.each { |gate| pair(gate_place(gate), gate_text(gate)) }
      @pdf.move_down 4
      write('Checks', size: 9, style: :bold)
      @exercise.declaration.checks_for(@sortie.aircraft.type).each { |check| write("[ ] #{Text.of(check)}", size: 8.5) }
      @pdf.move_down 4
      write('What to watch', size: 9, style: :bold)
      @exercise
        .declaration
        .faults
        .first(4)
        .map { |fault| @exercise.declaration.words(fault.id, @sortie.aircraft.type) }
        .each { |fault| pair(fault.title, fault.cue) }
    end

    def pair(what, told, **options)
      write(Text.of('%{what}: %{told}', what: what, told: told), size: 8.5, **options)
    end

    def gate_text(gate)
      bands = gate.measures.map { |_, m| Glossary.band(m[:low], m[:high], m[:unit], 0) }
      Text.list([*bands, gate.text], '; ')
    end

    # On the ground a height says nothing.
    def gate_place(gate)
      return gate.title if gate.height_ft < 1.0

      Text.of('%{gate}, %{height_ft} ft', gate: gate.title, height_ft: gate.height_ft.round)
    end

    # Every one of them, above everything that may end with the page.
    def cautions
      @plan.cautions.each do |caution|
        limit = caution.level == 'limit'
        write(
          limit ? Text.of('LIMIT: %{text}', text: caution.text) : caution.text,
          size: 8,
          style: limit || caution.level == 'caution' ? :bold : :normal,
          color: limit ? LIMIT : INK
        )
      end
      @pdf.move_down 3
      @pdf.stroke_horizontal_rule
      @pdf.move_down 6
    end
  end
end
