# frozen_string_literal: true

module Fujin
  module Bookings
    # What is asked for.
    #   kind        'dual', 'solo' or 'check'
    #   student     Party
    #   instructor  Party: gives the lesson; supervises a solo flight from the ground
    #   examiner    Party of a check, else nil
    #   aircraft    Craft
    Request = Value.define(:id, :kind, :slot, :student, :instructor, :examiner, :aircraft,
                           defaults: { examiner: nil }) do
      def solo? = kind == 'solo'
      def parties = [student, instructor, examiner].compact
      # Those who are aboard or at work for it.
      def instructs = [instructor, examiner].compact.map(&:id).uniq
    end
  end
end
