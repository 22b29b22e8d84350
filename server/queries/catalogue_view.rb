# frozen_string_literal: true

module Fujin
  # Manoeuvres, standards and house method for the Method view, straight from the declarations.
  class CatalogueView
    # Cues are shown for an anticlockwise rotor here; on a sortie the aircraft decides.
    REFERENCE_TYPE = 'tansy-2'

    def initialize(school)
      @school = school
      @type = Aircraft::Library.find(REFERENCE_TYPE)
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
      {
        'id' => declared.id,
        'title' => declared.title,
        'family' => declared.family,
        'kinds' => declared.kinds,
        'recorded' => declared.recorded?,
        'summary' => declared.summary,
        'phases' => declared.phases,
        'endings' => declared.endings,
        'checks' => declared.checks,
        'standard' => standard(declared),
        'faults' =>
          declared.faults.map do |f|
            {
              'id' => f.id,
              'title' => f.title,
              'cause' => declared.text_for(f.cause, @type),
              'cue' => Serialisers.capitalised(declared.text_for(f.cue, @type))
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
