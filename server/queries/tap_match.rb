# frozen_string_literal: true

module Fujin
  # Which of the cockpit's attempts a recorded one was, by the clock: each tapped attempt is the first of the lesson's
  # own that begins after it. Without a clock in the recording, or taps, nothing is said.
  class TapMatch
    # The tap may come so long after the attempt began.
    LATE_S = 10.0

    # @param taps [HelpTaps], @param clock_s [Float, nil] of the recording's time 0, since 1970
    # @param attempts [Array<Grading::Attempt>] of the lesson's manoeuvre, in order of time
    def initialize(taps, clock_s, attempts)
      @numbers = {}
      return unless clock_s && attempts.any?

      tapped =
        taps
          .live
          .select { |event| event.kind == 'attempt' }
          .map { |event| [event.at.to_f - clock_s, taps.number(event)] }
      within = tapped.select { |at, _| at.between?(attempts.first.start_s - WITHIN_S, attempts.last.end_s) }.sort
      match(within, attempts) if within.any?
    end
    # Taps so long before the first attempt belong to another flight.
    WITHIN_S = 600.0

    # @return [Integer, nil] 0 for one that nobody tapped, nil when the taps cannot be laid beside the recording
    def number(attempt) = @numbers[attempt]

    private

    def match(tapped, attempts)
      attempts.each { |attempt| @numbers[attempt] = 0 }
      tapped.each_with_index do |(at, number), i|
        until_s = tapped[i + 1]&.first || Float::INFINITY
        mine =
          attempts.find do |attempt|
            attempt.start_s >= at - LATE_S && attempt.start_s < until_s - LATE_S && @numbers[attempt].zero?
          end
        @numbers[mine] = number if mine
      end
    end
  end
end
