# frozen_string_literal: true

# Who tried to sign in, so that guessing is slow wherever it comes from and its owner sees it.
class SignInTries < ActiveRecord::Migration[7.2]
  def change
    create_table :sign_in_tries do |t|
      t.string :name_digest, null: false
      t.string :address, null: false
      t.boolean :good, null: false
      t.datetime :at, null: false
      t.index %i[name_digest at]
      t.index %i[address at]
    end
  end
end
