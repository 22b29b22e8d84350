# frozen_string_literal: true

module Fujin
  module Commands
    # `plan MANOEUVRE`: the numbers, gates, path and cautions of a manoeuvre.
    class Plan < Command
      def run
        name = @options.rest.first or raise CommandLine::Usage, 'plan needs a manoeuvre'
        manoeuvre = Catalogue.find(name)
        plan = manoeuvre.plan(@options.conditions, @options.house, **asked,
                              settings: @options.settings_for(manoeuvre, @err))
        ways = from_here(manoeuvre)
        if @options.json?
          @out.puts JSON.pretty_generate(Serialisers.plan(plan).merge(ways ? { 'from_here' => told(ways) } : {}))
        else
          print_tables(plan)
          print_ways(ways) if ways
        end
        0
      end

      private

      # What reaches the spot from --from-ft before it; nil when nobody asks.
      def from_here(manoeuvre)
        feet = @options[:from_ft] or return nil
        unless manoeuvre.spot_planner
          raise CommandLine::Usage, "--from-ft asks what reaches a spot: #{manoeuvre.id} leads to none"
        end

        Catalogue.usual_glide.spot_planner.new(@options.conditions, @options.house, **asked).from_here(feet)
      end

      def asked =
        { course_deg: @options[:course], height_ft: @options[:height_ft], stage: @options[:stage] || 'solo' }

      def told(ways) = ways.map { |way| Serialisers.way(way) }

      def print_ways(ways)
        @out.puts '', "From #{@options[:from_ft].round} ft before the spot"
        return @out.puts '  no way reaches it: another spot' if ways.empty?

        @out.puts Tables.lines(ways.map { |way| ["  #{(100 * way.chance).round} %", way.text] })
      end

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
