# frozen_string_literal: true

require 'yaml'

module Fujin
  module Bookings
    # A kind of document with dates (core/data/documents.yml): who has one, and what needs it in date.
    DocumentKind = Value.define(:id, :title, :roles, :blocks, :due_days, :by_type) do
      # @return [Hash{String => DocumentKind}]
      def self.all
        @all ||= YAML.safe_load_file(File.expand_path('../../../data/documents.yml', __dir__)).to_h do |id, fields|
          [id, new(id: id, by_type: false, **fields.transform_keys(&:to_sym))]
        end.freeze
      end

      # @raise [UnknownName]
      def self.find(id) =
        all.fetch(id) do
          raise UnknownName, Text.of('there is no kind of document %{id}; there are %{all}',
                                     id: id.inspect, all: all.keys.join(', '))
        end
    end
  end
end
