# frozen_string_literal: true

module Fujin
  module Grading
    # What a recording is measured against: the day, the method, the stage, the spot, and the plan if there was one.
    class Context
      USUAL_HEIGHT_FT = 1000.0

      attr_reader :conditions, :house, :stage, :spot, :course_deg, :planned, :gate_height_ft, :wind, :elevation_ft, :exercise, :settings, :handovers

      # @param conditions [Planning::Conditions]
      # @param wind [Wind, nil] nil when it is not known: the file's or its drift is used
      # @param spot [Array(Float, Float), nil] latitude and longitude
      # @param course_deg [Float, nil] final course; nil takes the mean track before the gate
      # @param height_ft [Float, nil] nil is the exercise's own
      # @param planned [Boolean] whether the sortie's plan is attached
      # @param exercise [String, nil] the manoeuvre that the sortie was for, with its `settings`
      # @param handovers [Array<Handover>] taps that said what the student had
      def initialize(conditions:, house: Planning::HouseMethod.new, stage: 'solo', spot: nil, course_deg: nil, wind: nil,
                     planned: false, height_ft: nil, gate_height_ft: nil, elevation_ft: nil, exercise: nil, settings: {}, handovers: [])
        @conditions = conditions
        @house = house
        @stage = stage
        @spot = spot
        @course_deg = course_deg
        @wind = wind
        @planned = planned
        @given_height_ft = height_ft
        @elevation_ft = elevation_ft
        @exercise = exercise
        @settings = settings.freeze
        @handovers = handovers.freeze
        @gate_height_ft = gate_height_ft || (planned && type.helicopter? ? targets['gate_height_ft'] : 100.0)
      end

      def type = conditions.type
      # Where the attempts begin: given, or what the exercise's own plan begins at.
      def height_ft = @height_ft ||= spot_planner ? exercise_plan.targets['entry_height_ft'] : USUAL_HEIGHT_FT

      # What a standard's rules stand for today; a gyroplane's manoeuvres have none yet.
      def targets = @targets ||= (type.helicopter? ? plan_for(conditions).targets : {}).freeze
      def glide_speed_kt = targets['glide_speed_kt']
      def target_rotor_rpm_pct = targets['target_rotor_rpm_pct']

      # The plan of a figure over the ground, which it is held to: the sortie's own where it was for that, else the usual one.
      # @return [Planning::Plan]
      def figure(manoeuvre_id = exercise)
        own = exercise == manoeuvre_id
        (@figures ||= {})[manoeuvre_id] ||= Manoeuvres.find(manoeuvre_id).planner.call(conditions, house, course_deg: course_deg, height_ft: (@given_height_ft if own), stage: stage,
                                                                                                          settings: own ? settings : {})
      end

      # The angle that an approach is held to: the exercise's own, where the sortie sets one, else the house's.
      def approach_angle_deg(manoeuvre_id)
        (settings['approach_angle_deg'] if exercise == manoeuvre_id) || house[Manoeuvres.find(manoeuvre_id).angle_setting]
      end

      # Seconds from power loss to the first turn, as the sortie's plan has it; nil without one.
      def turn_after_s(manoeuvre_id)
        return nil unless exercise == manoeuvre_id && spot_planner

        @turn_after_s ||= exercise_plan.parts.then { |p| p.entry.duration_s + p.established_s }
      rescue OutsideModel, InvalidInput
        nil
      end

      # How far before the spot, along the final course, the day asks for the entry at a height; metres. Nil outside the model,
      # and for turns that no sortie has planned.
      # @param wind [Wind]
      def entry_distance_m(manoeuvre_id, height_ft, course_deg, wind)
        today = conditions.with(wind: wind)
        return plan_for(today, course_deg: course_deg, height_ft: height_ft).entry_distance_m unless Manoeuvres.find(manoeuvre_id).phases.include?('turn')
        return nil unless exercise == manoeuvre_id && spot_planner

        -exercise_plan(today, course_deg: course_deg, height_ft: height_ft).parts.entry_m[0]
      rescue OutsideModel, InvalidInput
        nil
      end

      # Lowest rotor rpm allowed after a closure at this speed: the band's floor, or what a 0.5 s reaction
      # would show less 2, whichever is lower.
      def lowest_rotor_rpm_pct(entry_speed_kt)
        @lowest ||= {}
        @lowest[entry_speed_kt.round] ||= begin
          segments = Planning::FlownSegments.new(conditions, entry_speed_kt: entry_speed_kt, glide_speed_kt: glide_speed_kt,
                                                             target_rotor_pct: target_rotor_rpm_pct, ending: :touchdown, reaction_s: 0.5,
                                                             flare_height_ft: type.flare_height_ft)
          [type.power_off_band[0].to_f, segments.lowest_rotor_pct - 2.0].min
        end
      rescue OutsideModel
        targets['lowest_rotor_rpm_pct']
      end

      private

      def spot_planner = exercise && Manoeuvres.find(exercise).spot_planner

      # The autorotation that the sortie was for, as planned.
      def exercise_plan(today = conditions, course_deg: self.course_deg, height_ft: @given_height_ft)
        spot_planner.new(today, house, course_deg: course_deg, height_ft: height_ft, stage: stage, settings: settings)
      end

      def plan_for(conditions, course_deg: nil, height_ft: nil)
        Planning::StraightInPlan.new(conditions, house, course_deg: course_deg || @course_deg, height_ft: height_ft || self.height_ft, stage: stage)
      end
    end
  end
end
