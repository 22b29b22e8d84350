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
          return found unless context.site && signals.signal?(:lat) && signals.signal?(:lon)

          take_site
          @taken.slice(*manoeuvre.measure_ids)
        end

        # What it passed lowest over, for the words of a fault.
        # @return [Sites::Obstacle, nil]
        def lowest_over = clearance('descent')&.last

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
          put('obstacle_clearance_ft', 'descent', -> { clearance('descent')&.first&./(FT) }, reason: NOTHING)
          if attempt.phase('termination')
            put('tail_clearance_ft', 'termination', -> { tail_ft }, reason: 'nothing stands near enough to the tail')
            put('ground_margin_ft', 'termination', -> { place.inside_m(signals.index(ended_s))&./(FT) })
          end
          return unless attempt.phase('departure')

          put('departure_clearance_ft', 'departure', -> { clearance('departure')&.first&./(FT) }, reason: NOTHING)
        end
        NOTHING = 'nothing that stands was passed over'
        private_constant :NOTHING

        # Least height over what it passed over beyond the room at the spot.
        # @return [Array(Float, Sites::Obstacle), nil]
        def clearance(phase_id)
          phase = attempt.phase(phase_id) or return nil
          samples(phase).filter_map do |i|
            next if height(i).nan?

            place.over_tops(i, height(i) * FT, ground_m: spot.ground_m, within_m: clearances.half_width_m,
                                               beyond_m: clearances.half_width_m, spot: spot.at)
          end.min_by(&:first)
        end

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
