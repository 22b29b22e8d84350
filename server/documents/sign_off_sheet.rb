# frozen_string_literal: true

require_relative 'pdf_words'

module Fujin
  # A sign-off on paper: what was met, how far it reaches, its evidence, and the code to check it by. PDF.
  class SignOffSheet
    include PdfWords

    # @param sign_off [Hash] as the API shows it
    # @param mark [PrintMark]
    def initialize(sign_off, school:, mark: nil)
      @mark = mark
      @row = sign_off
      @school = school
      @pdf = Prawn::Document.new(page_size: 'A4', margin: 48, info: { Title: PdfWords.plain(title) })
      @pdf.fill_color INK
    end

    # @return [String] the file's bytes
    def render
      heading
      list('Conditions', @row['conditions'])
      list('What it is good for', [*scope, *@row['validity']])
      list('Evidence', @row['evidence'].map { |one| shown(one) })
      check
      @mark&.draw(@pdf)
      @pdf.render
    end

    private

    def title = "#{Text.of(@row['title'])}, #{@row['student']['name']}"
    def write(text, **options) = @pdf.text(PdfWords.plain(text), **options)
    def day(text) = Text.day(Time.parse(text).utc.to_date)

    def heading
      write(Text.of('%{school} · sign-off', school: @school), size: 10, color: SOFT)
      write(@row['title'], size: 22, style: :bold)
      if @row['broken']
        write(Text.of('NOT GOOD: %{broken}. Do not rely on it.',
                      broken: @row['broken']), size: 13, style: :bold, color: LIMIT)
      end
      if @row['withdrawn']
        write(Text.of('WITHDRAWN by %{by} on %{day}: %{why}',
                      by: @row['withdrawn_by'], day: day(@row['withdrawn_at']), why: @row['withdrawn_reason']),
              size: 13, style: :bold, color: LIMIT)
      end
      @pdf.move_down 6
      write(Text.of('%{student} met every condition below. Signed by %{by} on %{day}.',
                    student: @row['student']['name'], by: @row['by'], day: day(@row['signed_at'])), size: 13)
      write(@row['remark'], size: 11) if @row['remark'].to_s != ''
    end

    def list(heading, lines)
      @pdf.move_down 10
      write(heading, size: 12, style: :bold)
      lines.each { |line| write("• #{Text.of(line)}", size: 10) }
    end

    def scope
      scope = @row['scope'] or return []
      [Text.of('Shown in %{types}, %{aboard}, ended by %{endings}, held to %{standards} at stage ' \
        '%{stages}.',
               types: scope['aircraft_types'].join(', '), aboard: Text.list(scope['people_aboard'], ' and '),
               endings: Text.list(scope['endings'], ' and '), standards: scope['standards'].join(', '),
               stages: Text.list(scope['stages']))]
    end

    def shown(one)
      grades = (one['grades'] || {}).map do |phase, grade|
        "#{Text.of(phase.tr('_', ' '))} #{Text.of(Grading::Grader::GRADE_WORDS[grade])}"
      end
      "#{day(one['on_day'])}, #{one['aircraft']}: #{grades.join(', ')}"
    end

    def check
      @pdf.move_down 14
      @pdf.stroke_horizontal_rule
      @pdf.move_down 8
      write('To check it', size: 12, style: :bold)
      write(@row['code'], size: 18, style: :bold)
      write(Text.of('The school finds it by this code. The exported file is checked by itself, anywhere: bin/fujin ' \
        'verify FILE --code %{code} --key %{key}',
                    code: @row['code'], key: @row['public_key']), size: 9)
      write(Text.of('This sign-off %{hash}', hash: @row['hash']), size: 8, color: SOFT)
      write(Text.of('Follows %{hash}', hash: @row['previous_hash']), size: 8, color: SOFT)
      @pdf.move_down 6
      write('It replaces no licence, rating or authorisation that the authority requires.', size: 9)
    end
  end
end
