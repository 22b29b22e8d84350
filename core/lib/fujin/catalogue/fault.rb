# frozen_string_literal: true

module Fujin
  module Catalogue
    # A named departure: what shows it, why it happens, what to say.
    # Texts may hold %{power_loss_pedal}, %{power_on_pedal}, which the rotor direction fills in. The same departure is
    # told in other words where another exercise or another kind of aircraft asks for them: `instead` has those, by a
    # manoeuvre's id, several of them ("a, b") or a kind of aircraft.
    Fault =
      Value.define(:id, :title, :cause, :cue, :instead, defaults: { instead: {}.freeze }) do
        # @param texts [Hash{String => Hash}] the contents of a faults.yml
        # @param known [Hash{String => Fault}] that those texts may word otherwise under `instead`
        # @return [Hash{String => Fault}] by id
        # @raise [ArgumentError] for words without the fault that they are of
        def self.all(texts, known = {})
          known.merge(texts.to_h { |id, said| [id, of(id, said, known[id])] }).freeze
        end

        def self.of(id, said, known)
          words = said.slice('title', 'cause', 'cue').transform_keys(&:to_sym)
          instead = said.fetch('instead', {}).flat_map do |names, other|
            names.split(', ').map { |name| [name, other.transform_keys(&:to_sym)] }
          end.to_h
          return known.with(instead: known.instead.merge(instead).freeze) if known && words.empty?
          raise ArgumentError, "fault #{id} has no title, cause and cue" unless words.size == 3

          new(id: id, instead: instead.freeze, **words)
        end

        # @param manoeuvre [String] id, @param kind [String] of aircraft
        # @return [Fault] in the words of this exercise and this aircraft
        def told(manoeuvre, kind) =
          with(**instead.fetch(kind, {}), **instead.fetch(manoeuvre, {}), **instead.fetch("#{manoeuvre} #{kind}", {}))
      end
  end
end
