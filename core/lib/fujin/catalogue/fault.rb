# frozen_string_literal: true

module Fujin
  module Catalogue
    # A named departure: what shows it, why it happens, what to say.
    # Texts may hold %{power_loss_pedal}, %{power_on_pedal}, which the rotor direction fills in.
    Fault =
      Value.define(:id, :title, :cause, :cue) do
        # @param texts [Hash{String => Hash}] the contents of a faults.yml
        # @return [Hash{String => Fault}] by id
        def self.all(texts)
          texts
            .to_h { |id, said| [id, new(id: id, **said.slice('title', 'cause', 'cue').transform_keys(&:to_sym))] }
            .freeze
        end
      end
  end
end
