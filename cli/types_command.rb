# frozen_string_literal: true

module Fujin
  module Commands
    # `types`: the aircraft types that ship.
    class Types < Command
      def run
        types = Aircraft::Library.all
        if @options.json?
          @out.puts JSON.pretty_generate(
            types.map do |type|
              { 'id' => type.id, 'name' => type.name, 'kind' => type.kind, 'file' => type.data }
            end
          )
        else
          @out.puts Tables.lines(
            types.map do |type|
              [
                type.id,
                type.name,
                type.kind,
                type.fetch('engine.kind'),
                "rotor #{type.fetch('rotor.rotation')}"
              ]
            end
          )
        end
        0
      end
    end
  end
end
