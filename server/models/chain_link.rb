# frozen_string_literal: true

require_relative 'record'

module Fujin
  # One link of the school's chain: what it signed, in the order in which it was signed. Appended, never changed.
  class ChainLink < Record
    belongs_to :sign_off, class_name: 'Fujin::SignOff', optional: true
    belongs_to :sign_off_withdrawal, class_name: 'Fujin::SignOffWithdrawal', optional: true
    belongs_to :solo_authority, class_name: 'Fujin::SoloAuthority', optional: true
    belongs_to :solo_withdrawal, class_name: 'Fujin::SoloWithdrawal', optional: true
    scope :in_order, -> { order(:position) }

    def parsed = @parsed ||= JSON.parse(document)
    def statement = parsed.fetch('statement')
  end
end
