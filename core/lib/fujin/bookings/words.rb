# frozen_string_literal: true

module Fujin
  module Bookings
    # Days and hours as people say them.
    module Words
      module_function

      def days_to(from, to)
        days = (to - from).to_i
        case days
        when 0 then 'today'
        when 1 then 'tomorrow'
        else Text.of('in %{days} days', days: days)
        end
      end

      # @param zone [#call] gives a time as the clock at the school shows it
      def clock(time, zone) = zone.call(time).strftime('%H:%M')

      def hours(minutes)
        whole, rest = minutes.round.divmod(60)
        rest.zero? ? "#{whole} h" : "#{whole} h #{rest} min"
      end
    end
  end
end
