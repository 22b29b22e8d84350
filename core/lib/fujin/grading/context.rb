# frozen_string_literal: true

module Fujin
  module Grading
    # What a recording is measured against: the day, the method, the stage, the spot, and the plan if there was one.
    class Context
      USUAL_HEIGHT_FT = 1000.0
      USUAL_GATE_FT = 100.0

      attr_reader :catalogue, :conditions, :house, :stage, :spot, :course_deg, :planned, :gate_height_ft, :wind,
                  :elevation_ft, :exercise, :settings, :handovers, :given_height_ft, :site

      # @param catalogue [#find, #finders, #usual_glide] the manoeuvres that can be found and judged
      # @param conditions [Planning::Conditions]
      # @param wind [Wind, nil] nil when it is not known: the file's or its drift is used
      # @param spot [Array(Float, Float), nil] latitude and longitude
      # @param course_deg [Float, nil] final course; nil takes the mean track before the gate
      # @param height_ft [Float, nil] nil is the exercise's own
      # @param planned [Boolean] whether the sortie's plan is attached
      # @param exercise [String, nil] the manoeuvre that the sortie was for, with its `settings`
      # @param handovers [Array<Handover>] taps that said what the student had
      # @param standards [Hash{String => Standard}] by manoeuvre, where a school has others
      # @param site [Sites::Site, nil] the surveyed place that the exercise leads to
      def initialize(
        catalogue:,
        conditions:,
        house: Planning::HouseMethod.new,
        stage: 'solo',
        spot: nil,
        course_deg: nil,
        wind: nil,
        planned: false,
        height_ft: nil,
        gate_height_ft: nil,
        elevation_ft: nil,
        exercise: nil,
        settings: {},
        handovers: [],
        standards: {},
        site: nil
      )
        @catalogue = catalogue
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
        @standards = standards.freeze
        @site = site
        @gate_height_ft = gate_height_ft || (planned && type.helicopter? ? targets['gate_height_ft'] : USUAL_GATE_FT)
      end

      def type = conditions.type
      # Where the attempts begin: given, or what the exercise's own plan begins at.
      def height_ft = @height_ft ||= spot_planner ? exercise_plan.targets['entry_height_ft'] : USUAL_HEIGHT_FT

      # What a standard's rules stand for today: the usual glide's; a gyroplane has none.
      def targets = @targets ||= (type.helicopter? ? usual_glide(conditions).targets : {}).freeze
      def glide_speed_kt = targets['glide_speed_kt']
      def target_rotor_rpm_pct = targets['target_rotor_rpm_pct']

      # What an attempt of a manoeuvre is held to.
      # @param manoeuvre [Catalogue::Declaration]
      # @return [Standard]
      def standard_of(manoeuvre) = @standards.fetch(manoeuvre.id, manoeuvre.standard)

      # What the names in its rules stand for.
      # @param own [Hash{String => Float}] what the taker of measures knows itself
      # @return [Planning::Targets]
      def targets_of(manoeuvre, own = {}) =
        Planning::Targets.new(type: type, house: house, own: own, numbers: -> { plan_of(manoeuvre).numbers })

      # The plan that an attempt is held to: the sortie's own where it was for that manoeuvre, else the usual one.
      # @param manoeuvre [Catalogue::Declaration]
      # @return [Planning::Plan]
      def plan_of(manoeuvre)
        own = exercise == manoeuvre.id
        remember([:plan, manoeuvre.id]) do
          manoeuvre.plan(conditions, house, course_deg: course_deg, height_ft: (given_height_ft if own), stage: stage,
                                            settings: own ? settings : {}, standard: standard_of(manoeuvre))
        end
      end

      # The angle that an approach is held to: the exercise's own, where the sortie sets one, else the house's.
      # @param manoeuvre [Catalogue::Declaration]
      def approach_angle_deg(manoeuvre)
        (settings['approach_angle_deg'] if exercise == manoeuvre.id) || house[manoeuvre.angle_setting]
      end

      # The glide to the spot that the sortie was for, as planned; nil where it was for none.
      # @return [Planning::ManoeuvrePlan, nil]
      def exercise_plan(today = conditions, course_deg: self.course_deg, height_ft: given_height_ft)
        spot_planner&.new(today, house, course_deg: course_deg, height_ft: height_ft, stage: stage, settings: settings,
                                        standard: standard_of(catalogue.find(exercise)))
      end

      # The usual glide on a day.
      # @return [Planning::ManoeuvrePlan]
      def usual_glide(today, course_deg: nil, height_ft: nil)
        catalogue.usual_glide.planner.new(
          today,
          house,
          course_deg: course_deg || @course_deg,
          height_ft: height_ft || self.height_ft,
          stage: stage,
          standard: standard_of(catalogue.usual_glide)
        )
      end

      # Is the plan one of this manoeuvre? Without an exercise it is the usual glide's.
      def planned_for?(manoeuvre) = planned && manoeuvre.id == (exercise || catalogue.usual_glide.id)

      # What several attempts of a recording share is worked out once.
      def remember(key) = (@remembered ||= {})[key] ||= yield

      private

      def spot_planner = exercise && catalogue.find(exercise).spot_planner
    end
  end
end
