# frozen_string_literal: true

module Fujin
  module Commands
    # `simulate MANOEUVRE`: a recording flown by the model, with the faults asked for.
    class Simulate < Command
      # The simulated spot: the heath at Quillmere.
      SPOT = [47.2104, -14.3320].freeze

      def run
        name = @options.rest.first or raise CommandLine::Usage, 'simulate needs a manoeuvre'
        @declaration = Catalogue.find(name)
        check_flown
        path = @options[:out] or raise CommandLine::Usage, '--out FILE.csv is missing'
        rate = @options[:rate_hz] || 10.0
        InvalidInput.check_ranges('--rate-hz' => [rate, 1, 50])
        run = flight.run
        File.write(path, recorder(rate).csv(run))
        report(path, run)
        0
      end

      private

      def check_flown
        return if @declaration.pilot

        flown = Catalogue.all.select(&:pilot).map(&:id).join(', ')
        raise CommandLine::Usage, "the pilot model flies #{flown}; #{@declaration.id} can be planned but not flown yet"
      end

      def flight
        @declaration.pilot.call(
          @options.conditions,
          house: @options.house,
          height_ft: @options[:height_ft],
          course_deg: @options[:course],
          settings: @options.settings_for(@declaration, @err),
          faults: @options[:faults],
          shear: shear,
          air_seed: @options[:seed] || 1
        )
      end

      def shear
        exponent = @options[:shear] || 0.0
        InvalidInput.check_ranges('--shear' => [exponent, 0, 0.6])
        exponent
      end

      def recorder(rate)
        Flight::Recorder.new(
          type: @options.type,
          origin: @options.spot || SPOT,
          elevation_ft: @options[:elevation_ft] || 0.0,
          rate_hz: rate,
          seed: @options[:seed] || 1,
          noise: @options[:noise] || 1.0
        )
      end

      def report(path, run)
        spot = (@options.spot || SPOT).join(',')
        result = {
          'out' => path,
          'duration_s' => run.rows.last.t_s.round(1),
          'spot' => spot,
          'faults' => @options[:faults]
        }
        if @options.json?
          @out.puts(JSON.pretty_generate(result))
        else
          @out.puts("#{path}: #{result['duration_s']} s flown, spot #{spot}")
        end
      end
    end
  end
end
