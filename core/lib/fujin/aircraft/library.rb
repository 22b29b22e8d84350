# frozen_string_literal: true

module Fujin
  module Aircraft
    # The type files that ship with the core, by id.
    module Library
      FOLDER = File.expand_path('../../../data/aircraft_types', __dir__)

      module_function

      # @return [Array<Type>] in order of id
      def all = Dir[File.join(FOLDER, '*.yml')].map { |path| shipped(path) }.sort_by(&:id)

      # @param id_or_path [String] a type's id, or the path of a type file
      # @raise [UnknownName, InvalidInput]
      def find(id_or_path)
        return Type.load_file(id_or_path) if id_or_path.match?(%r{[/.]}) && File.file?(id_or_path)

        path = File.join(FOLDER, "#{File.basename(id_or_path)}.yml")
        return shipped(path) if File.file?(path)

        raise UnknownName,
              Text.of('no aircraft type %{id_or_path}: give the path of a type file or one of %{ids}',
                      id_or_path: id_or_path.inspect, ids: ids.join(', '))
      end

      # What ships does not change while it is used: read once. Two threads that read it at once read the same.
      def shipped(path) = READ[path] ||= Type.load_file(path)
      READ = {} # rubocop:disable Style/MutableConstant
      private_constant :READ

      def ids = Dir[File.join(FOLDER, '*.yml')].map { |path| File.basename(path, '.yml') }.sort
    end
  end
end
