# frozen_string_literal: true

module Fujin
  module Truth
    # A flight of the pilot model of which all is known: what was flown, in what air, with which fault; what the
    # measures say of it when nothing trembles and every fiftieth of a second is there; and the same flight as a poorer
    # recorder would have it.
    class KnownFlight
      SPOT = [47.2104, -14.3320].freeze
      ELEVATION_FT = 62.0
      COURSE_DEG = 350.0
      TRUTH_HZ = 50.0
      # Sizes at which a fault can be seen, in its pilot's unit.
      SIZES = {
        'late_collective' => 1.0..2.0, 'collective_not_down' => 2.5..4.0, 'slow_glide' => 9.0..14.0,
        'fast_glide' => 9.0..15.0, 'low_rotor_rpm' => 5.0..8.0, 'high_rotor_rpm' => 5.0..7.0,
        'early_flare' => 40.0..70.0, 'late_flare' => 25.0..40.0, 'entered_too_far' => 300.0..600.0,
        'entered_too_close' => 300.0..600.0, 'weak_flare' => 0.5..0.7, 'hard_flare' => 0.5..0.8,
        'weak_cushion' => 0.5..0.8, 'drift_at_contact' => 5.0..8.0, 'yaw_uncorrected' => 1.0..2.0,
        'late_turn' => 5.0..8.0, 'too_steep' => 4.0..6.0, 'too_shallow' => 4.0..5.0,
        'sank_at_low_speed' => 280.0..400.0, 'late_decision' => 9.0..12.0, 'power_cap_broken' => 9.0..12.0,
        'drifted_off_track' => 130.0..200.0, 'raised_collective' => 12.0..20.0
      }.freeze

      attr_reader :manoeuvre

      # @param manoeuvre [Catalogue::Declaration] that a pilot model flies
      # @param random [Random] all that is drawn is drawn from it
      # @param faulty [Boolean] whether one of its faults is flown
      # @param among [Array<String>, nil] which faults may be; nil is all that have a size
      def initialize(manoeuvre, random, faulty:, among: nil)
        @manoeuvre = manoeuvre
        @random = random
        @type = Aircraft::Library.find(%w[tansy-2 bracken-2].sample(random: random))
        @wind = drawn_wind
        @house = Planning::HouseMethod.new('ending' => %w[power_recovery touchdown].sample(random: random))
        @seed = random.rand(100_000)
        @faulty = faulty
        @among = among || SIZES.keys
      end

      # The fault that is flown, if one is: another where the pilot cannot fly the first that was drawn.
      def faults
        run
        @faults
      end

      def clean? = faults.empty?

      # What is there to be found, measured without an error.
      # @return [Array<Grading::Proposal>]
      def truth =
        @truth ||= Grading::Grader.new(*read(Recordings.read(recorder(rate_hz: TRUTH_HZ, noise: 0.0).csv(run)), @wind),
                                       ranges: false).proposals

      # What is made of it as a poorer recorder has it.
      # @param poorer [PoorRecorder]
      # @return [Array<Grading::Proposal>]
      def as_recorded(poorer) = Grading::Grader.new(*seen(poorer), ranges: true).proposals

      # The same flight in the same air, flown without the fault.
      # @return [KnownFlight]
      def twin = run && dup.clean

      # @param poorer [PoorRecorder]
      # @return [Array(Recordings::Signals, Grading::Context)] what is graded of it
      def seen(poorer) =
        read(poorer.recording(rows, recorder.columns, Random.new(@seed)), wind_as_known(@seed))

      protected

      def clean
        @faulty = false
        @run = @truth = @rows = nil
        self
      end

      private

      def run = @run ||= drawn_faults.lazy.filter_map { |faults| flown(faults) }.first

      # @return [Flight::Run, nil] nil where this pilot cannot fly the fault on this plan
      def flown(faults)
        @faults = faults
        @manoeuvre.pilot.call(conditions(@wind), house: @house, height_ft: nil, course_deg: COURSE_DEG, settings: {},
                                                 faults: faults, air_seed: @seed).run
      rescue InvalidInput
        raise if faults.empty?
      end

      def rows = @rows ||= recorder(rate_hz: 10.0, noise: 1.0).rows(run)

      def recorder(rate_hz: 10.0, noise: 1.0) =
        Flight::Recorder.new(type: @type, origin: SPOT, elevation_ft: ELEVATION_FT, rate_hz: rate_hz, seed: @seed,
                             noise: noise)

      def conditions(wind) =
        Planning::Conditions.build(type: @type, people: 'dual', wind: wind, elevation_ft: ELEVATION_FT)

      # Mostly ahead, half of it gusty.
      def drawn_wind
        speed = @random.rand(2.0..14.0)
        Wind.new(from_deg: COURSE_DEG + @random.rand(-35.0..35.0), speed_kt: speed,
                 gust_kt: @random.rand < 0.5 ? speed + @random.rand(3.0..7.0) : nil)
      end

      # Someone read it off a sock, or had it from the tower.
      def wind_as_known(seed)
        random = Random.new(seed)
        Wind.new(from_deg: @wind.from_deg + (8.0 * NormalRandom.draw(random)),
                 speed_kt: [@wind.speed_kt + (1.2 * NormalRandom.draw(random)), 0.0].max, gust_kt: nil)
      end

      # One each, in the order in which they are tried; none of them at the last.
      def drawn_faults
        return [{}] unless @faulty

        names = (@manoeuvre.faults.map(&:id) & SIZES.keys & @among).shuffle(random: @random)
        [*names.map { |name| { name => @random.rand(SIZES.fetch(name)).round(2) } }, {}]
      end

      def read(recording, wind)
        day = conditions(wind)
        [Recordings::Signals.new(recording, type: @type, atmosphere: day.atmosphere, elevation_ft: ELEVATION_FT,
                                            wind: wind),
         Lessons.context(conditions: day, house: @house, stage: 'solo', spot: SPOT, wind: wind, planned: true,
                         exercise: @manoeuvre.id, course_deg: COURSE_DEG)]
      end
    end
  end
end
