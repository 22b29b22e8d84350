# frozen_string_literal: true

module Fujin
  # A student's attempts at one manoeuvre beside each other: those of one lesson, or the last of all.
  class SideBySideView
    MOST = 12
    # Among so many of the last: a learner has not graded all of them.
    LOOKED_AT = 40

    # @param student [Person], @param viewer [Person]
    # @param sortie [Sortie, nil] only of this lesson
    def initialize(student, manoeuvre, viewer, sortie: nil)
      @student = student
      @viewer = viewer
      @declared = Catalogue.find(manoeuvre)
      @sortie = sortie
    end

    def to_h
      table = Progress::SideBySide.new(columns, @declared)
      one = table.one_thing
      {
        'manoeuvre' => @declared.id,
        'title' => @declared.title,
        'student' => Serialisers.person_name(@student),
        'columns' => rows.map { |row| column(row) },
        'rows' => table.rows.map { |row| told(row) },
        'one_thing' => one && reason(one),
        'landings' => LandingScatter.of(rows.each.with_index(1).map do |row, i|
          [i, *LandingScatter.miss(measures(row))]
        end)
      }
    end

    private

    def rows
      @rows ||= begin
        all = AttemptRow.joins(:sortie).where(sorties: { student_id: @student.id }, manoeuvre: @declared.id,
                                              counts: true)
        all = all.where(sortie_id: @sortie.id) if @sortie
        all.preload({ sortie: :student }, :exercise, :grades, :fault_calls)
          .order('sorties.starts_at DESC, attempts.created_at DESC, attempts.position DESC').limit(LOOKED_AT)
          .lazy.reject { |row| HeldBack.from?(@viewer, row) }.first(MOST).reverse
      end
    end

    def columns
      rows.map { |row| Progress::SideBySide::Column.new(id: row.id, measures: measures(row), drivers: drivers(row)) }
    end

    def measures(row) = row.judged['measures']

    def drivers(row)
      row.judged['phases'].select { |phase| phase['grade'].to_i.between?(1, 2) }.filter_map { |p| p['driver'] }
    end

    def column(row)
      {
        'attempt_id' => row.id,
        'sortie_id' => row.sortie_id,
        'on' => row.sortie.day.iso8601,
        'position' => row.position + 1,
        'starts' => row.proposal['phases'].to_h { |phase| phase.values_at('id', 'start_s') },
        'path' => row.flown_path,
        'overall' => row.judged['overall'],
        'first_fault' => row.judged['first_fault'] && @declared.fault(row.judged['first_fault'])&.title
      }
    end

    def told(row)
      entry = Glossary.measure(row.measure, @declared.id)
      {
        'measure' => row.measure, 'label' => entry.label, 'unit' => entry.unit, 'digits' => entry.digits,
        'phase' => @declared.measures.find { |_, ids| ids.include?(row.measure) }.first,
        'values' => row.values, 'verdicts' => row.verdicts, 'median' => Serialisers.number(row.median),
        'spread' => Serialisers.number(row.spread),
        'change' => row.spread && Serialisers.number(row.last - row.first), 'drove' => row.drove
      }
    end

    def reason(row)
      entry = Glossary.measure(row.measure, @declared.id)
      bad = row.verdicts.count { |verdict| %w[marginal out].include?(verdict) }
      { 'measure' => row.measure,
        'text' => Text.count(row.drove, one: '%{label}: outside the standard in %{bad} of %{all}, and what held the ' \
                                          'grade down once.',
                                        other: '%{label}: outside the standard in %{bad} of %{all}, and what held ' \
                                          'the grade down %{count} times.',
                                        label: entry.label, bad: bad, all: row.verdicts.compact.size) }
    end
  end
end
