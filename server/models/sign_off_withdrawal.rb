# frozen_string_literal: true

require_relative 'record'

module Fujin
  class SignOffWithdrawal < Record
    belongs_to :sign_off, class_name: 'Fujin::SignOff'
    belongs_to :by, class_name: 'Fujin::Person'
  end
end
