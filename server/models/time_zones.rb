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
            [{ path: field, message: "there is no time zone #{name.to_s[0, 40].inspect}; write it as Etc/UTC" }]
    end

    # @return [#call] gives a moment as the clock there shows it
    def clock(name)
      zone = TZInfo::Timezone.get(name)
      ->(time) { zone.utc_to_local(time.utc) }
    end
  end
end
