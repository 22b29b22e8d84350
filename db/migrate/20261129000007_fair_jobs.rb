# frozen_string_literal: true

# Who asked for a spread of landings, so that nobody asks for more at once than is fair.
class FairJobs < ActiveRecord::Migration[7.2]
  def change
    add_reference :dispersions, :by, type: :uuid, foreign_key: { to_table: :people }
  end
end
