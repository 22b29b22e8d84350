# frozen_string_literal: true

# A tap names its attempt by the id of the tap that began it, so that what two devices tapped without a network falls
# under the right one; the number is worked out when all are there. `at` is by the server's clock, `device_at` by the
# device's own.
class TapsOfAttempts < ActiveRecord::Migration[7.2]
  def change
    change_table :fly_events, bulk: true do |t|
      t.uuid :attempt_id
      t.string :device
      t.datetime :device_at
    end
  end
end
