# frozen_string_literal: true

require_relative 'record'

module Fujin
  class SignOff < Record
    belongs_to :student, class_name: 'Fujin::Person'
    belongs_to :by, class_name: 'Fujin::Person'
    has_one :withdrawal, class_name: 'Fujin::SignOffWithdrawal', inverse_of: :sign_off
    has_one :link, class_name: 'Fujin::ChainLink', inverse_of: :sign_off
    scope :in_order, -> { joins(:link).order('chain_links.position') }
    # Those that were signed and that nobody has withdrawn.
    scope :in_force, -> { joins(:link).where.missing(:withdrawal) }

    delegate :parsed, :statement, :document_hash, to: :link
  end
end
