# frozen_string_literal: true

require 'bundler/setup'
require_relative '../core/lib/fujin'
require_relative '../cli/tables'

# Writes the pages of docs/reference/ that are made from data.
#
#   bundle exec ruby scripts/reference.rb
module Reference
  FOLDER = File.expand_path('../docs/reference', __dir__)
  STAGES = Fujin::Grading::Standard::STAGES

  READY = Fujin::Progress::Readiness::DEFAULTS

  RULES = <<~TEXT.freeze
    ## Verdicts
    Each measure is held to the limits of the student's stage (#{STAGES.join(', ')}), with the day's plan for what a limit names.

    - *±*: polished within half the width of the target, in within it, marginal within one and a half. *± %*: the width is a
      percentage of the target, where that is large enough to have one. With a side, only too low or only too high counts.
    - *at most*, *at least*: in up to the limit; polished and marginal half of what the limit allows less and more, or as given.
    - An amount is a number, one for each stage, or made of what the day's plan, the house method or the type gives.
    - A value on a limit is inside it. Marginal, out and critical need all that the recording leaves open on the wrong side;
      a verdict that another value in that range would turn says so, and accuses nobody of a fault.
    - A glide's rotor rpm inside its target's width but outside the type's band is marginal at best.
    - *critical*: a limit of the aircraft or a hazard, apart from how well it was flown.
    - A measure is shown and never judged only where its standard says why. *With the exercise's plan only*: judged where the
      sortie was for it.
    - Faults that a measure shows are named where it is marginal or out: they have no other threshold.
    - `grade --standards FILE.yml` takes other rules: by manoeuvre, then by measure, as the data files have them. A school sets
      its own in *Method*, row by row, each with a reason; grades that were given stay as they are.

    ## Grades
    4 polished, 3 in, 2 marginal, 1 out. The least of a phase's measures gives its grade, and the measure that gave it is named
    beside it. What was not recorded gives no grade. The instructor may change every grade, with a reason.

    ## Ready for sign-off
    The last #{READY[:attempts]} counted attempts to standard in every phase and flown without help, on at least #{READY[:days]} days, with no
    critical measure in the last #{READY[:critical_window]}. These are settings. Ready is a proposal: the instructor signs.
  TEXT

  class << self
    # @return [Hash{String => String}] text by file name
    def pages
      { 'measures.md' => measures, 'plan-numbers.md' => plan_numbers, 'standards.md' => standards,
        'house-method.md' => house_method }
    end

    def write = pages.each { |name, text| File.write(File.join(FOLDER, name), text) }

    private

    def page(title, made_from, *parts)
      "# #{title}\n\nMade from `#{made_from}` by `scripts/reference.rb`; change the data, not this page.\n\n" \
        "#{parts.flatten.join("\n")}\n"
    end

    def table(*head, rows) = Fujin::Tables.markdown(head, rows)

    def unseen(entry)
      estimated = entry.uncertainty_estimated
      [(entry.uncertainty if entry.uncertainty.positive?), ("#{estimated} estimated" if estimated)].compact.join('; ')
    end

    def measures
      rows = Fujin::Glossary.measures.values.sort_by(&:id).flat_map do |entry|
        [entry, *entry.differing.keys.map { |manoeuvre| [manoeuvre, entry.in(manoeuvre)] }].map do |one|
          manoeuvre, its = one.is_a?(Array) ? one : [nil, one]
          ["`#{its.id}`#{" in `#{manoeuvre}`" if manoeuvre}", its.label, its.unit, sources(its), its.control,
           unseen(its), live(its), its.definition]
        end
      end
      page('Measures', 'core/data/measures.yml',
           'One line a measure. Sources are the signals it is worked out from; where one is missing the measure is ' \
             '*not recorded*. The control is the one that answers for it in a part-task. What each may be off by is ' \
             'had ' \
             'by measuring again what the same recorder might have written of the flight ' \
             '([computing](../computing.md)); ' \
             'a number under *unseen* is 90 % of what that cannot see, and is added. *In flight*: the reading that ' \
             'is held to its band while the phase is flown, or *so far* where it is told as it comes.',
           '', table('id', 'label', 'unit', 'sources', 'control', 'unseen', 'in flight', 'definition', rows))
    end

    def live(entry)
      return entry.live&.tr('_', ' ') unless entry.live.is_a?(Hash)

      around = entry.live['away_from']&.then { |name| "around #{name}" }
      side = entry.live['side']&.then { |name| "#{name} only" }
      over = entry.live['over']&.then { |name| "over #{name.tr('_', ' ')}" }
      [entry.live['of'], around, side, over].compact.join(', ')
    end

    def sources(entry) = entry.sources.join(entry.any_source ? ', else ' : ', ')

    def plan_numbers
      rows = Fujin::Glossary.numbers.values.sort_by(&:id).flat_map do |entry|
        [["`#{entry.id}`", entry.label, entry.unit, entry.group, entry.why],
         *entry.differing.keys.map do |manoeuvre|
           its = entry.in(manoeuvre)
           ["`#{its.id}` in `#{manoeuvre}`", its.label, its.unit, its.group, its.why]
         end]
      end
      page('Planned numbers', 'core/data/plan_numbers.yml', table('id', 'label', 'unit', 'on the card', 'why', rows))
    end

    def house_method
      parts = Fujin::Planning::HouseMethod::SETTINGS.flat_map do |setting|
        ["## #{setting.question} (`#{setting.name}`)", *choices(setting), '']
      end
      page('House method', 'core/data/house_method.yml',
           'The accepted ways of teaching, as settings: two schools may choose differently and both be right.', '',
           parts[0..-2])
    end

    def choices(setting)
      if setting.reasons.empty?
        return ["#{setting.default} #{setting.unit}, from #{setting.allowed.begin} to #{setting.allowed.end}."]
      end

      setting.reasons.map do |choice, reason|
        "- `#{choice}`#{' (default)' if choice == setting.default}: #{reason}"
      end
    end

    def standards
      page('Standards', "core/data/standards/usual.yml` and each family's `standards/", RULES,
           Fujin::Catalogue.all.map { |declared| ['', tolerances(declared)] })
    end

    def tolerances(declared)
      standard = declared.standard
      judged = declared.measure_ids.uniq.select { |id| standard.rules.key?(id) }
      ["## `#{declared.id}` (#{standard.version})", '',
       *table('measure', 'rule', *STAGES, 'also', judged.map { |id| ["`#{id}`", *line(standard.rules[id])] }),
       *standard.shown.map { |id, why| ['', "`#{id}` is shown and never judged: #{why}."] }]
    end

    def line(rule)
      row = Fujin::Grading::StandardRow.new(rule)
      [row.sentence, *row.told, row.steps.join(', ')]
    end
  end
end

Reference.write if $PROGRAM_NAME == __FILE__
