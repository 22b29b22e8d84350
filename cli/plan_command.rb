# frozen_string_literal: true

module Fujin
  module Commands
    # `plan MANOEUVRE`: the numbers, gates, path and cautions of a manoeuvre.
    class Plan
      # Names of --set that belong to a manoeuvre rather than to the house.
      MANOEUVRE_SETTINGS = %w[glide_rotor_rpm_pct].freeze

      def initialize(argv, out, err)
        @options = Options.new(argv)
        @out = out
        @err = err
      end

      def run
        name = @options.rest.first or raise CommandLine::Usage, 'plan needs a manoeuvre'
        manoeuvre = Manoeuvres.find(name)
        unknown = @options[:settings].keys - Planning::HouseMethod::NAMES - MANOEUVRE_SETTINGS
        raise UnknownName, "--set knows no #{unknown.join(', ')} for #{name}: use #{(MANOEUVRE_SETTINGS + Planning::HouseMethod::NAMES).join(', ')}" unless unknown.empty?

        note_unused
        plan = manoeuvre.planner.call(@options.conditions, @options.house, course_deg: @options[:course], height_ft: @options[:height_ft] || 1000.0,
                                                                           stage: @options[:stage] || 'solo',
                                                                           rotor_rpm_pct: @options[:settings]['glide_rotor_rpm_pct'])
        @options.json? ? @out.puts(JSON.pretty_generate(Serialisers.plan(plan))) : print_tables(plan)
        0
      end

      private

      def note_unused
        %i[bank_deg power_limit_pct].select { |name| @options[name] }.each do |name|
          @err.puts "fujin: --#{name.to_s.tr('_', '-')} plays no part in a straight-in autorotation and was not used"
        end
      end

      def print_tables(plan)
        @out.puts "#{plan.manoeuvre}  #{plan.conditions.type.name}  final course #{plan.course_deg.round}°  wind #{plan.conditions.wind}", ''
        rows = plan.numbers.map do |name, number|
          spread = number.low ? "#{Tables.figure(number.low)} to #{Tables.figure(number.high)}" : number.reason.to_s
          [name, number.value || '—', number.unit, spread]
        end
        @out.puts Tables.lines(rows), ''
        plan.gates.each { |gate| @out.puts "gate #{gate.id}: #{gate.height_ft.round} ft above the ground" }
        @out.puts '', *plan.cautions.map { |caution| "#{caution.level}: #{caution.text}" }
      end
    end
  end
end
