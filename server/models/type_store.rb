# frozen_string_literal: true

module Fujin
  # The school's aircraft types: those that ship, and the school's own versions over them. Every version stays.
  class TypeStore
    NEWEST = 'SELECT DISTINCT ON (type_id) * FROM aircraft_type_versions ORDER BY type_id, number DESC'
    private_constant :NEWEST

    class << self
      # @raise [UnknownName]
      def find(id) = newest[id] || Aircraft::Library.find(id)

      # @return [Array<Aircraft::Type>] in order of id
      def all = Aircraft::Library.all.to_h { |type| [type.id, type] }.merge(newest).values.sort_by(&:id)

      # @param text [String] of a type file
      # @raise [InvalidInput]
      def read(text)
        YAML.safe_load(text)
      rescue Psych::Exception => e
        raise InvalidInput, [{ path: '(file)', message: Text.of('is not readable as YAML: %{message}',
                                                                message: e.message) }]
      end

      # Stores a new version.
      # @param data [Hash] of a type file
      # @raise [InvalidInput] naming each field at fault
      def add(data, by:, reason:)
        type = Aircraft::Type.new(data)
        raise InvalidInput, [{ path: 'reason', message: 'expected a few words on why' }] if reason.to_s.strip.length < 3

        Record.transaction do
          keep_shipped(type.id, by)
          number = (AircraftTypeVersion.where(type_id: type.id).maximum(:number) || 0) + 1
          AircraftTypeVersion.create!(
            type_id: type.id,
            number: number,
            data: type.data,
            reason: reason.strip,
            by: by,
            created_at: Time.now.utc
          )
        end
        type
      end

      # @return [Array<AircraftTypeVersion>] newest first
      def history(id) = AircraftTypeVersion.where(type_id: id).order(number: :desc).preload(:by).to_a

      private

      # What the school changed, as it is now; asked once a read.
      # @return [Hash{String => Aircraft::Type}]
      def newest
        return Current.types if Current.types

        rows = AircraftTypeVersion.asked(:newest) { NEWEST }
        rows.to_h { |row| [row.type_id, row.value] }.tap { |types| Current.types = types if Current.reading }
      end

      # The file that ships is the history's first entry once it is changed.
      def keep_shipped(id, by)
        return unless Aircraft::Library.ids.include?(id) && !AircraftTypeVersion.exists?(type_id: id)

        AircraftTypeVersion.create!(
          type_id: id,
          number: 1,
          data: Aircraft::Library.find(id).data,
          reason: 'as it ships',
          by: by,
          created_at: Time.now.utc
        )
      end
    end
  end
end
