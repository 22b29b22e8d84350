# frozen_string_literal: true

require_relative 'record'

module Fujin
  # What a student may fly alone, as it was signed; withdrawn, never changed.
  class SoloAuthority < Record
    belongs_to :student, class_name: 'Fujin::Person'
    belongs_to :by, class_name: 'Fujin::Person'
    has_one :withdrawal, class_name: 'Fujin::SoloWithdrawal', inverse_of: :solo_authority
    has_one :link, class_name: 'Fujin::ChainLink', inverse_of: :solo_authority
    scope :in_force, -> { where.missing(:withdrawal).order(:created_at) }

    # @return [Solo::Authority]
    def value = Solo::Authority.new(from: from_on, until: until_on, **allowed.transform_keys(&:to_sym))
  end
end
