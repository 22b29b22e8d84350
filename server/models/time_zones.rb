# frozen_string_literal: true

require 'tzinfo'

module Fujin
  # The clocks of places, by the names of the time zone database.
  module TimeZones
    module_function

    # @return [String] the name
    # @raise [InvalidInput]
    def check!(name, field = 'time_zone')
      TZInfo::Timezone.get(name.to_s)
      name
    rescue TZInfo::InvalidTimezoneIdentifier
      raise InvalidInput,
            [{ path: field, message: Text.of('there is no time zone %{name}; write it as Etc/UTC',
                                             name: name.to_s[0, 40].inspect) }]
    end

    # @param date [Date]
    # @return [Time] when the clock there shows this hour and minute of the day; of an hour that comes twice the first,
    #   of one that is skipped the one after it
    def moment(name, date, hour = 0, minute = 0)
      zone = TZInfo::Timezone.get(name)
      local = Time.utc(date.year, date.month, date.day, hour, minute)
      zone.local_to_utc(local, true) { |periods| periods.min_by { |one| -one.observed_utc_offset } }
    rescue TZInfo::PeriodNotFound
      zone.local_to_utc(local + 3600, true)
    end

    # @return [#call] gives a moment as the clock there shows it
    def clock(name)
      zone = TZInfo::Timezone.get(name)
      ->(time) { zone.utc_to_local(time.utc) }
    end
  end
end
