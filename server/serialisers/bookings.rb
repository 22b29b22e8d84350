# frozen_string_literal: true

module Fujin
  # Bookings, who waits, and what stands against them, as the API shows them.
  module Serialisers
    module_function

    def booking(row)
      row.fields('id', 'kind', 'note', 'despite', 'state', 'cancelled_why', 'sortie_id', 'series_id').merge(
        'from_at' => time(row.from_at), 'to_at' => time(row.to_at), 'student' => person_name(row.student),
        'instructor' => person_name(row.instructor), 'examiner' => row.examiner && person_name(row.examiner),
        'aircraft' => { 'id' => row.aircraft_id, 'mark' => row.aircraft.mark }, 'version' => row.lock_version
      )
    end

    def clash(one) = one.to_h.transform_keys(&:to_s)

    def absence(row)
      row.fields('id', 'words', 'source').merge('person' => person_name(row.person),
                                                'from_at' => time(row.from_at), 'to_at' => time(row.to_at))
    end

    def wait(row)
      row.fields('id', 'note').merge(
        'student' => person_name(row.student), 'instructor' => row.instructor && person_name(row.instructor),
        'from_on' => row.from_on.iso8601, 'until_on' => row.until_on.iso8601
      )
    end
  end
end
