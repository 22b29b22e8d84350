# frozen_string_literal: true

module Fujin
  module Commands
    # `plan MANOEUVRE`: the numbers, gates, path and cautions of a manoeuvre.
    class Plan < Command
      def run
        name = @options.rest.first or raise CommandLine::Usage, 'plan needs a manoeuvre'
        manoeuvre = Catalogue.find(name)
        plan =
          manoeuvre.plan(
            @options.conditions,
            @options.house,
            course_deg: @options[:course],
            height_ft: @options[:height_ft],
            stage: @options[:stage] || 'solo',
            settings: @options.settings_for(manoeuvre, @err)
          )
        @options.json? ? @out.puts(JSON.pretty_generate(Serialisers.plan(plan))) : print_tables(plan)
        0
      end

      private

      # Without a course given it is the wind's own, and says so.
      def course(plan) = "#{plan.course_deg.round}°#{' (into the wind)' unless @options[:course]}"

      def print_tables(plan)
        @out.puts "#{plan.manoeuvre}  #{plan.conditions.type.name}  final course #{course(plan)}  wind " \
          "#{@options[:wind] ? plan.conditions.wind : 'none given: still air'}",
                  ''
        rows =
          plan.numbers.map do |name, number|
            spread = number.low ? "#{Tables.figure(number.low)} to #{Tables.figure(number.high)}" : number.reason.to_s
            [name, number.value || '—', number.unit, spread]
          end
        @out.puts Tables.lines(rows), ''
        @out.puts "set-up: #{plan.setup.text}", '' if plan.setup
        plan.gates.each do |gate|
          @out.puts "#{gate.title}, #{gate.height_ft.round} ft above the ground: #{gate.text}"
        end
        plan.tables.each do |table|
          @out.puts '', table.title, Tables.lines([table.columns.map do |label, unit|
            [label, unit].compact.join(', ')
          end, *table.rows.map do |row|
                 row.map do |cell|
                   cell.nil? ? '—' : cell
                 end
               end])
        end
        @out.puts '', *plan.cautions.map { |caution| "#{caution.level}: #{caution.text}" }
      end
    end
  end
end
