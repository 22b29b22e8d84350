# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # An approach to a surveyed site, only when that is the exercise: a powered approach that ended on the site's
      # ground, or was left near it; and the departure from there, if one was flown before anything else.
      class Finder
        include Grading::Stretches

        # Looked for once for each exercise of these.
        EXERCISE = %w[confined_area pinnacle].freeze
        # Beside the ground by so much it still was that site, m; an approach that was left came so near, m.
        BESIDE_M = 20.0
        NEAR_M = 400.0
        # So near a descent is taken for one to the site while it is flown, m.
        BEGUN_M = 1500.0
        # A departure is climbing away within this time, s, and ends at this height, ft.
        WITHIN_S = 300.0
        CLEAR_FT = 200.0
        LIFTED_FT = 12.0
        LONGEST_S = 60.0

        # @return [Array<Grading::Attempt>]
        def find
          asked? ? approaches.find.select { |one| here?(one) }.map { |one| ours(one) } : []
        end

        private

        def asked? = EXERCISE.include?(@context.exercise) && @context.site && located?
        def approaches = Approach::Finder.new(signals, @context, @taken)

        # A descent that comes near it.
        def begun(found)
          one = asked? ? approaches.underway : nil
          return nil unless one && after_all?(found, one.start_s) && place.near?(last_index, BEGUN_M)

          one.with(manoeuvre: @context.exercise)
        end

        def located? = signals.signal?(:lat) && signals.signal?(:lon) && signals.signal?(:agl)
        def site = @context.site
        def place = @place ||= OnSiteGround.new(signals, site)

        def here?(attempt)
          return place.near?(lowest(attempt), NEAR_M) if attempt.result == :go_around

          place.beside?(signals.index(attempt.event(:contact_s) || attempt.event(:stopped_s) || attempt.end_s),
                        BESIDE_M)
        end

        def lowest(attempt)
          (signals.index(attempt.start_s)..signals.index(attempt.end_s)).min_by do |i|
            height(i).nan? ? Float::INFINITY : height(i)
          end
        end

        def ours(attempt)
          named = attempt.with(manoeuvre: @context.exercise)
          out = attempt.result == :completed && departure_after(attempt.end_s)
          return named unless out

          named.with(phases: [*attempt.phases, phase('departure', *out)].freeze, end_s: out[1])
        end

        # From where it leaves the hover to where it is clear, with no other attempt between.
        def departure_after(time_s)
          from = signals.index(time_s)
          to = [from + signals.samples(WITHIN_S), signals.size - 1].min
          up = first_held(from..to, 2.0) { |i| height(i) > LIFTED_FT } or return nil
          clear = (up..[up + signals.samples(LONGEST_S), signals.size - 1].min).find { |i| height(i) > CLEAR_FT }
          return nil unless clear && !overlaps?(signals.time(up), signals.time(clear))

          low = (from..up).to_a.reverse.find { |i| height(i) < LIFTED_FT / 2 } || from
          [signals.time(low), signals.time(clear)]
        end
      end
    end
  end
end
