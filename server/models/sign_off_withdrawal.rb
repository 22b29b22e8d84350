# frozen_string_literal: true

require_relative 'record'

module Fujin
  class SignOffWithdrawal < Record
    belongs_to :sign_off, class_name: 'Fujin::SignOff'
    belongs_to :by, class_name: 'Fujin::Person'
    has_one :link, class_name: 'Fujin::ChainLink', inverse_of: :sign_off_withdrawal

    delegate :parsed, :document_hash, to: :link
  end
end
