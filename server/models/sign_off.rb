# frozen_string_literal: true

require_relative 'record'

module Fujin
  class SignOff < Record
    belongs_to :student, class_name: 'Fujin::Person'
    belongs_to :by, class_name: 'Fujin::Person'
    has_one :withdrawal, class_name: 'Fujin::SignOffWithdrawal', inverse_of: :sign_off
    scope :in_order, -> { order(:chain_position) }
    # Those that nobody has withdrawn.
    scope :in_force, -> { where.missing(:withdrawal) }

    def parsed = @parsed ||= JSON.parse(document)
    def statement = parsed.fetch('statement')
  end
end
