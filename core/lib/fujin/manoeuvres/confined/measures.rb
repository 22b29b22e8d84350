# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Confined
      # Measures of an approach to a surveyed site: those of any approach, and how far it kept from what stands there.
      class Measures < Approach::Measures
        FT = Quantities::FT

        # @return [Hash{String => Grading::Measure}]
        def measures
          found = super
          return found unless context.site && located?

          take_site
          @taken.slice(*manoeuvre.measure_ids)
        end

        # What it passed lowest over, for the words of a fault.
        # @return [Sites::Obstacle, nil]
        def lowest_over = clearance('descent')&.obstacle

        private

        def place = @place ||= OnSiteGround.new(signals, context.site)
        def clearances = @clearances ||= Sites::Clearances.of(context.type, context.house)

        # The site's spot that it ended nearest to.
        def spot
          @spot ||= begin
            at = signals.index(ended_s || attempt.end_s)
            point = place.at(at) || Complex(0, 0)
            context.site.spots.min_by { |one| (one.at - point).abs } ||
              Sites::Spot.new(id: 'site', at: Complex(0, 0), termination: 'hover', ground_m: 0.0)
          end
        end

        def take_site
          put('obstacle_clearance_ft', 'descent', -> { clearance('descent')&.height_m&./(FT) }, reason: NOTHING)
          if attempt.phase('termination')
            put('tail_clearance_ft', 'termination', -> { tail_ft }, reason: 'nothing stands near enough to the tail')
            put('ground_margin_ft', 'termination', -> { place.inside_m(signals.index(ended_s))&./(FT) })
          end
          return unless attempt.phase('departure')

          put('departure_clearance_ft', 'departure', -> { clearance('departure')&.height_m&./(FT) }, reason: NOTHING)
        end
        NOTHING = 'nothing that stands was passed over'
        private_constant :NOTHING

        # Where it passed over something, beyond the room at the spot, with the least to spare of what the house keeps.
        # @return [OnSiteGround::Over, nil]
        def clearance(phase_id)
          @clearance ||= {}
          return @clearance[phase_id] if @clearance.key?(phase_id)

          phase = attempt.phase(phase_id)
          @clearance[phase_id] = phase && context.site && located? && passed_over(phase).min_by do |one|
            one.height_m - one.kept_m
          end
        end

        def passed_over(phase)
          samples(phase).reject { |i| height(i).nan? }
            .flat_map { |i| place.over_tops(i, height(i) * FT, spot: spot, clearances: clearances) }
        end

        def located? = signals.signal?(:lat) && signals.signal?(:lon)

        # What the house keeps where it had the least to spare: less near the spot.
        def own_targets
          super.merge('clearance_over_obstacles_kept_ft' => kept_ft('descent'),
                      'clearance_on_the_way_out_kept_ft' => kept_ft('departure'))
        end

        def kept_ft(phase_id) = (clearance(phase_id)&.kept_m || clearances.under_way_m) / FT

        def samples(phase) = signals.index(phase.start_s)..signals.index(phase.end_s)

        # Least room behind the tail while it moved and stood there.
        def tail_ft
          phase = attempt.phase('termination')
          samples(phase).step(signals.samples(0.5).clamp(1, nil)).filter_map do |i|
            point = place.at(i)
            next if point.nil? || height(i).nan? || signals[:heading][i].nan?

            room = Sites::Room.new(context.site.obstacles, clearances, at: point, ground_m: spot.ground_m,
                                                                       skids_m: [height(i), 0.0].max * FT)
            room.tail(signals[:heading][i]).low
          end.min
        end
      end
    end
  end
end
