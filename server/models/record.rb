# frozen_string_literal: true

module Fujin
  # Rows. Rules of the job stay in the core; these only know their tables and each other.
  class Record < ActiveRecord::Base
    self.abstract_class = true
    self.record_timestamps = true

    # What most reads ask, kept as the SQL that it becomes, and planned once: to put it together anew was half of what a
    # read cost.
    # @param name [Object] one for each question
    # @param values [Array<Object>] where it says $1, $2; ids in an array where it says ANY($1)
    # @yieldreturn [ActiveRecord::Relation, String] what is asked; called once
    # @return [Array<Record>]
    def self.asked(name, *values)
      @asked ||= {}
      sql = @asked[name] ||= yield.then { |question| question.is_a?(String) ? question : question.to_sql }
      find_by_sql(sql, values.map { |value| value.is_a?(Array) ? list(value) : value }, preparable: true)
    end

    # @param words [Array<String>] ids and names of our own
    # @return [String] as PostgreSQL reads an array of them
    def self.list(words) = "{#{words.join(',')}}"

    # Rows with what belongs to them: what is known is taken, all people among the rest come by one question.
    # @param rows [Enumerable<Record>], @param names [Array<Symbol, Hash>] of what is wanted, as .preload takes them
    # @param known [Array<Record>]
    # @return [Array<Record>]
    def self.belonging(rows, *names, known: [])
      rows = rows.to_a
      if rows.any?
        ActiveRecord::Associations::Preloader.new(records: rows, associations: names, available_records: known).call
      end
      rows
    end

    # Some columns as they are told; the others, documents of a kilobyte among them, are not looked at.
    # @return [Hash{String => Object}]
    def fields(*names) = names.to_h { |name| [name, self[name]] }
  end
end
