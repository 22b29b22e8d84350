# frozen_string_literal: true

# Solo authorities and their withdrawals are links of the chain. A lesson may be in a training device; what is wrong
# in a log is corrected and the old value stays.
class SoloAndLog < ActiveRecord::Migration[7.2]
  def up
    create_table :solo_authorities, id: :uuid do |t|
      t.references :student, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.jsonb :allowed, null: false
      t.date :from_on, null: false
      t.date :until_on, null: false
      t.datetime :created_at, null: false
    end
    create_table :solo_withdrawals, id: :uuid do |t|
      t.references :solo_authority, type: :uuid, null: false, foreign_key: true, index: { unique: true }
      t.references :by, type: :uuid, null: false, foreign_key: { to_table: :people }
      t.string :reason, null: false
      t.datetime :created_at, null: false
    end
    %w[solo_authorities solo_withdrawals].each do |table|
      execute "CREATE TRIGGER #{table}_append_only BEFORE UPDATE OR DELETE ON #{table} FOR EACH ROW EXECUTE FUNCTION " \
        'refuse_change()'
    end
    add_reference :chain_links, :solo_authority, type: :uuid, foreign_key: true, index: { unique: true }
    add_reference :chain_links, :solo_withdrawal, type: :uuid, foreign_key: true, index: { unique: true }
    remove_check_constraint :chain_links, name: 'chain_links_of_one'
    add_check_constraint :chain_links,
                         'num_nonnulls(sign_off_id, sign_off_withdrawal_id, solo_authority_id, solo_withdrawal_id) = 1',
                         name: 'chain_links_of_one'
    add_column :sorties, :training_device, :boolean, null: false, default: false
  end

  def down
    remove_column :sorties, :training_device
    remove_check_constraint :chain_links, name: 'chain_links_of_one'
    remove_reference :chain_links, :solo_withdrawal
    remove_reference :chain_links, :solo_authority
    add_check_constraint :chain_links, 'num_nonnulls(sign_off_id, sign_off_withdrawal_id) = 1',
                         name: 'chain_links_of_one'
    drop_table :solo_withdrawals
    drop_table :solo_authorities
  end
end
