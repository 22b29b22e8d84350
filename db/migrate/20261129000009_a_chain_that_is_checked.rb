# frozen_string_literal: true

# What was found each time the school's chain was read whole; changes of its signing key as links of it; which stage and
# kind of aircraft a sign-off is of, so that one stands at a time.
class AChainThatIsChecked < ActiveRecord::Migration[7.2]
  ONE_OF = 'num_nonnulls(sign_off_id, sign_off_withdrawal_id, solo_authority_id, solo_withdrawal_id)'

  def up
    create_table :chain_checks do |t|
      t.datetime :at, null: false
      t.boolean :holds, null: false
      t.integer :links, null: false
      t.string :latest_hash, null: false
      t.jsonb :faults, null: false, default: []
    end
    create_table :backups do |t|
      t.datetime :at, null: false
      t.string :folder, null: false
      t.bigint :bytes, null: false
      t.integer :links, null: false
      t.string :latest_hash, null: false
    end
    %w[chain_checks backups].each do |table|
      execute "CREATE TRIGGER #{table}_append_only BEFORE UPDATE OR DELETE ON #{table} FOR EACH ROW EXECUTE FUNCTION " \
        'refuse_change()'
    end
    add_column :chain_links, :new_key, :boolean, null: false, default: false
    remove_check_constraint :chain_links, name: 'chain_links_of_one'
    add_check_constraint :chain_links, "#{ONE_OF} = CASE WHEN new_key THEN 0 ELSE 1 END", name: 'chain_links_of_one'
    change_table :sign_offs do |t|
      t.string :stage
      t.string :kind
    end
  end

  def down
    change_table(:sign_offs) { |t| t.remove :stage, :kind }
    remove_check_constraint :chain_links, name: 'chain_links_of_one'
    remove_column :chain_links, :new_key
    add_check_constraint :chain_links, "#{ONE_OF} = 1", name: 'chain_links_of_one'
    drop_table :backups
    drop_table :chain_checks
  end
end
