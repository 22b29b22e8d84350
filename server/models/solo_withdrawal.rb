# frozen_string_literal: true

require_relative 'record'

module Fujin
  # Why a solo authority holds no more.
  class SoloWithdrawal < Record
    belongs_to :solo_authority, class_name: 'Fujin::SoloAuthority'
    belongs_to :by, class_name: 'Fujin::Person'
    has_one :link, class_name: 'Fujin::ChainLink', inverse_of: :solo_withdrawal
  end
end
