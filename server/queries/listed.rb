# frozen_string_literal: true

require 'base64'

module Fujin
  # A list a page at a time, by where the page before it ended: what comes or goes meanwhile moves nobody's place.
  class Listed
    # What a cursor is made of, unreadable to whoever only hands it on; moments to the last digit that is stored.
    def self.cursor(values)
      values = values.map { |one| one.respond_to?(:iso8601) ? one.iso8601(6) : one }
      Base64.urlsafe_encode64(JSON.generate(values), padding: false)
    end

    attr_reader :rows

    # @param scope [ActiveRecord::Relation] without an order
    # @param by [Array<Symbol>] columns that order it, the last one unique
    # @param after [String, nil] the cursor of the page before
    # @param down [Boolean] from the largest
    # @raise [InvalidInput] for a cursor that is none of ours
    def initialize(scope, by:, size:, after: nil, down: false)
      @by = by
      @size = size
      scope = past(scope, place(scope, read(after)), down ? '<' : '>') if after
      found = scope.order(by.to_h { |column| [column, down ? :desc : :asc] }).limit(size + 1).to_a
      @more = found.size > size
      @rows = found.first(size)
    end

    # @return [String, nil] the cursor of the page that follows
    def following = @more ? self.class.cursor(@rows.last.attributes.values_at(*@by.map(&:to_s))) : nil

    private

    def past(scope, values, sign)
      columns = @by.map { |column| "#{scope.table_name}.#{column}" }.join(', ')
      scope.where("(#{columns}) #{sign} (#{(['?'] * values.size).join(', ')})", *values)
    end

    # What the columns hold: a made-up value is told, and never asked for.
    def place(scope, values)
      cast = @by.zip(values).map { |column, value| scope.model.type_for_attribute(column.to_s).cast(value) }
      cast.none?(&:nil?) ? cast : refuse
    end

    def read(after)
      values = JSON.parse(Base64.urlsafe_decode64(after))
      return values if values.is_a?(Array) && values.size == @by.size && values.all? { |one| plain?(one) }

      raise ArgumentError
    rescue ArgumentError, JSON::ParserError
      refuse
    end

    def refuse
      raise InvalidInput, [{ path: 'after', message: 'this is no place in the list: begin at its first page' }]
    end

    def plain?(value) = value.is_a?(String) || value.is_a?(Integer)
  end
end
