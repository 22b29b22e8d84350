# frozen_string_literal: true

require_relative 'record'

module Fujin
  # A document with dates, as somebody saw it. One that is replaced or was wrong is withdrawn, not changed.
  class PersonDocument < Record
    belongs_to :person, class_name: 'Fujin::Person'
    belongs_to :by, class_name: 'Fujin::Person'
    scope :in_force, -> { where(withdrawn_at: nil).order(:kind, :valid_until) }

    # @return [Bookings::Document]
    def value = Bookings::Document.new(kind: Bookings::DocumentKind.find(kind), type_id: type_id,
                                       valid_from: valid_from, valid_until: valid_until)
  end
end
