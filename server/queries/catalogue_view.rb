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
    end

    def to_h
      {
        'manoeuvres' => Catalogue.all.map { |m| manoeuvre(m) },
        'house' => Serialisers.house(@school),
        'grades' => Grading::Grader::GRADE_WORDS
      }
    end

    private

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
      standard = declared.standard or return nil
      rows =
        standard.rules.map do |id, rule|
          {
            'measure' => id,
            'unit' => Glossary.measure(id).unit,
            'label' => Glossary.measure(id, declared.id).label,
            'definition' => Glossary.measure(id).definition,
            'phase' => declared.measures.find { |_, ids| ids.include?(id) }&.first || '',
            'rule' => sentence(rule),
            'limits' => limits(rule)
          }
        end
      { 'version' => standard.version, 'stages' => Grading::Standard::STAGES, 'rows' => rows }
    end

    def sentence(rule)
      case rule['rule']
      when 'around' then "within ± of #{words(rule['target'])}"
      when 'percent_of' then "within ± % of #{words(rule['target'])}"
      when 'at_most' then "at most#{" #{words(rule['limit'])}" if rule['limit'].is_a?(String)}"
      when 'at_least' then "at least#{" #{words(rule['limit'])}" if rule['limit'].is_a?(String)}"
      end
    end

    def words(target) =
      target.is_a?(String) ? "the day's #{target.sub(/_(kt|ft|pct|deg|fpm)\z/, '').tr('_', ' ')}" : target.to_s

    def limits(rule)
      values = rule['widths'] || rule['limits'] || rule['offsets']&.map do |offset|
        format('%+g', offset)
      end || ([rule['limit'].is_a?(Numeric) ? rule['limit'] : rule.fetch('in_step', 0)] * 4)
      values.map(&:to_s)
    end
  end
end
