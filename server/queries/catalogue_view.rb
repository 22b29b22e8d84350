# frozen_string_literal: true

module Fujin
  # Manoeuvres, standards and house method for the Method view, straight from the declarations.
  class CatalogueView
    # Cues are shown for an anticlockwise rotor here, and for a gyroplane where only it flies the exercise; on a sortie
    # the aircraft decides.
    REFERENCE_TYPES = %w[tansy-2 sorrel-g].freeze

    def initialize(school)
      @school = school
      @types = REFERENCE_TYPES.map { |id| Aircraft::Library.find(id) }
      @standards = StandardBook.standards(on: School.current.today)
      @changes = StandardChange.in_order.preload(:by).group_by { |change| [change.manoeuvre, change.measure] }
    end

    def to_h
      {
        'manoeuvres' => manoeuvres,
        'house' => Serialisers.house(@school),
        'grades' => Grading::Grader::GRADE_WORDS,
        'readiness' => readiness,
        'blocks' => @school.counted_blocks.map { |block| Serialisers.school_block(block) }
      }
    end

    private

    # The same for everybody until a standard is changed or a day begins.
    def manoeuvres
      of = [Text.language, School.current.today, @changes.values.flatten.map(&:id)]
      kept = self.class.kept
      return kept.last if kept&.first == of

      Catalogue.all.map { |m| manoeuvre(m) }.tap { |told| self.class.kept = [of, told].freeze }
    end

    class << self
      attr_accessor :kept
    end

    # What a sign-off asks for, and where one manoeuvre asks for something else.
    def readiness
      usual = Progress::Readiness::DEFAULTS.transform_keys(&:to_s)
      own = @school.readiness.fetch('manoeuvres', {})
      { 'usual' => usual.merge(@school.readiness.except('manoeuvres')),
        'manoeuvres' => own.map { |id, rule| { 'manoeuvre' => id, 'rule' => usual.merge(rule) } } }
    end

    def manoeuvre(declared)
      type = @types.find { |t| declared.for?(t) }
      {
        'id' => declared.id,
        'title' => declared.title,
        'family' => declared.family,
        'kinds' => declared.kinds,
        'recorded' => declared.recorded?,
        'summary' => declared.summary,
        'phases' => declared.phases,
        'endings' => declared.endings,
        'checks' => declared.checks_for(type),
        'standard' => standard(declared),
        'faults' =>
          declared.faults.map { |f| declared.words(f.id, type) }.map do |f|
            {
              'id' => f.id,
              'title' => f.title,
              'cause' => f.cause,
              'cue' => f.cue
            }
          end
      }
    end

    def standard(declared)
      standard = @standards.fetch(declared.id, declared.standard)
      rows = declared.measures.flat_map { |phase, ids| ids.map { |id| row(declared, standard, phase, id) } }
      { 'version' => standard.version, 'stages' => Grading::Standard::STAGES, 'rows' => rows.uniq { |r| r['measure'] } }
    end

    def row(declared, standard, phase, id)
      entry = Glossary.measure(id, declared.id)
      rule = standard.rules[id]
      {
        'measure' => id,
        'unit' => rule&.fetch('rule') == 'percent_of' ? 'pct' : entry.unit,
        'label' => entry.label,
        'definition' => entry.definition,
        'phase' => phase
      }.merge(rule ? judged(Grading::StandardRow.new(rule)) : { 'shown' => standard.shown.fetch(id) }, changes(
                                                                                                         declared, id))
    end

    def changes(declared, id)
      made = @changes.fetch([declared.id, id], [])
      made.empty? ? {} : { 'changes' => made.map { |change| Serialisers.standard_change(change) } }
    end

    def judged(row) =
      { 'rule' => row.sentence, 'limits' => row.values, 'told' => row.told, 'steps' => row.steps }
  end
end
