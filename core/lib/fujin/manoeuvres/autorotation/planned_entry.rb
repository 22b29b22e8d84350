# frozen_string_literal: true

module Fujin
  module Manoeuvres
    module Autorotation
      # What the plan asks of the entry of an autorotation that was flown: where it begins, when its turn does, how low
      # the rotor may fall.
      class PlannedEntry
        # A reaction that is allowed everybody, s, and what is left to the rotor after it, points.
        REACTION_S = 0.5
        ROOM = 2.0

        # @param context [Grading::Context], @param manoeuvre [Catalogue::Declaration] that was flown
        def initialize(context, manoeuvre)
          @context = context
          @manoeuvre = manoeuvre
        end

        # Seconds from power loss to the first turn, as the sortie's plan has it; nil without one.
        def turn_after_s
          return nil unless asked_for?

          @context.exercise_plan.parts.turn_after_s
        rescue OutsideModel, InvalidInput
          nil
        end

        # How far before the spot, along the final course, the day asks for the entry at a height; metres. Nil outside
        # the model, and for turns that no sortie has planned.
        # @param wind [Wind]
        def distance_m(height_ft, course_deg, wind)
          today = @context.conditions.with(wind: wind)
          unless turns?
            return @context.usual_glide(today, course_deg: course_deg, height_ft: height_ft).entry_distance_m
          end
          return nil unless asked_for?

          -@context.exercise_plan(today, course_deg: course_deg, height_ft: height_ft).parts.entry_m[0]
        rescue OutsideModel, InvalidInput
          nil
        end

        # Lowest rotor rpm allowed after a closure at this speed: the band's floor, or what a reaction would show less
        # some room, whichever is lower.
        def lowest_rotor_rpm_pct(entry_speed_kt)
          @context.remember([:lowest_rotor_rpm_pct, entry_speed_kt.round]) do
            [@context.type.power_off_band[0].to_f, entry(entry_speed_kt).lowest_rotor_pct - ROOM].min
          end
        rescue OutsideModel
          @context.targets['lowest_rotor_rpm_pct']
        end

        private

        def entry(entry_speed_kt)
          FlownSegments.new(
            @context.conditions,
            entry_speed_kt: entry_speed_kt,
            glide_speed_kt: @context.glide_speed_kt,
            target_rotor_pct: @context.target_rotor_rpm_pct,
            reaction_s: REACTION_S,
            flare_height_ft: @context.type.flare_height_ft,
            ending: :touchdown
          )
        end

        def turns? = @manoeuvre.phases.include?('turn')
        def asked_for? = @context.exercise == @manoeuvre.id && !@manoeuvre.spot_planner.nil?
      end
    end
  end
end
