# frozen_string_literal: true

# A recorder's clock is off by its own amount: how far it was behind the server's, seconds, as a flight that was
# followed live has shown.
class ClockOfTheRecorder < ActiveRecord::Migration[7.2]
  def change = add_column(:recordings, :clock_behind_s, :float)
end
