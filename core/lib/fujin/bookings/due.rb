# frozen_string_literal: true

module Fujin
  module Bookings
    # Maintenance that is due by hours, by a day, or by whichever comes first.
    class Due < Value.define(:title, :at_hours, :on_day, defaults: { at_hours: nil, on_day: nil })
      # Said so long before.
      SOON_DAYS = 14
      SOON_HOURS = 5.0

      # @param hours [Float] flown by the end of the flight that is asked about
      # @param day [Date] of it
      def over?(hours, day) = (!at_hours.nil? && hours > at_hours) || (!on_day.nil? && day > on_day)

      def soon?(hours, day)
        return false if over?(hours, day)

        (!at_hours.nil? && hours > at_hours - SOON_HOURS) || (!on_day.nil? && day > on_day - SOON_DAYS)
      end

      # @return [String] 'due at 1250.0 h or on 3 May 2027'
      def words
        hours = at_hours&.to_f&.round(1)
        day = on_day && Text.day(on_day)
        return Text.of('due at %{hours} h or on %{day}', hours: hours, day: day) if hours && day

        hours ? Text.of('due at %{hours} h', hours: hours) : Text.of('due on %{day}', day: day)
      end
    end
  end
end
