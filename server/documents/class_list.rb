# frozen_string_literal: true

require 'csv'

module Fujin
  # The class as a table that a spreadsheet opens: a row a student and manoeuvre.
  class ClassList
    HEADINGS = ['student', 'stage', 'manoeuvre', 'attempts', 'level', 'trend', 'last flown', 'ready', 'signed off',
                'stuck', 'missing'].freeze

    # @param rows [Array<Hash>] as StudentRows gives them
    def initialize(rows)
      @rows = rows
    end

    # @return [String] CSV (RFC 4180)
    def to_s
      CSV.generate do |csv|
        csv << HEADINGS
        @rows.each { |student| student['standings'].each { |standing| csv << cells(student, standing) } }
      end
    end

    private

    def cells(student, standing)
      missing = standing['conditions'].reject { |condition| condition['met'] }.map { |condition| condition['text'] }
      [TableCell.plain(student['name']), student['stage'], standing['title'], standing['attempts'], standing['level'],
       standing['trend'], standing['last_flown'], *standing.values_at('ready', 'signed_off', 'stuck').map do |v|
                                                    v ? 'yes' : 'no'
                                                  end,
       missing.join('; ')]
    end
  end
end
