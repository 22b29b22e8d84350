# frozen_string_literal: true

module Fujin
  module Bookings
    # One document of a person: good from a day to a day, both included; without a last day it does not run out.
    Document = Value.define(:kind, :type_id, :valid_from, :valid_until,
                            defaults: { type_id: nil, valid_from: nil, valid_until: nil }) do
      # @param day [Date]
      # @return [Symbol] :not_yet, :good, :due (it runs out soon) or :over
      def state(day)
        return :not_yet if valid_from && day < valid_from
        return :good unless valid_until
        return :over if day > valid_until

        (valid_until - day).to_i <= kind.due_days ? :due : :good
      end

      def in_date?(day) = %i[good due].include?(state(day))
      def for_type?(id) = !kind.by_type || type_id == id

      # @return [String] where it stands that day, for people
      def words(day)
        case state(day)
        when :not_yet then Text.of('%{kind} is good from %{valid_from} only',
                                   kind: kind.title, valid_from: Text.day(valid_from))
        when :over then Text.of('%{kind} ran out on %{valid_until}',
                                kind: kind.title, valid_until: Text.day(valid_until))
        when :due then Text.of('%{kind} runs out on %{valid_until}, %{days_to}',
                               kind: kind.title, valid_until: Text.day(valid_until),
                               days_to: Words.days_to(day, valid_until))
        else if valid_until
               Text.of('%{kind} is good until %{valid_until}', kind: kind.title, valid_until: Text.day(valid_until))
             else
               Text.of('%{kind} does not run out', kind: kind.title)
             end
        end
      end
    end
  end
end
