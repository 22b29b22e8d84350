# frozen_string_literal: true

# One chain for all that the school signs: sign-offs as before, and their withdrawals.
class WithdrawalsInTheChain < ActiveRecord::Migration[7.2]
  def change
    create_table :chain_links, id: false do |t|
      t.primary_key :position, :integer, default: nil
      t.references :sign_off, type: :uuid, foreign_key: true, index: { unique: true }
      t.references :sign_off_withdrawal, type: :uuid, foreign_key: true, index: { unique: true }
      t.string :document_hash, null: false, index: { unique: true }
      t.text :document, null: false
      t.datetime :created_at, null: false
    end
    add_check_constraint :chain_links, 'num_nonnulls(sign_off_id, sign_off_withdrawal_id) = 1',
                         name: 'chain_links_of_one'
    reversible do |way|
      way.up { move_links }
      way.down { move_back }
    end
  end

  private

  def move_links
    execute <<~SQL
      INSERT INTO chain_links (position, sign_off_id, document_hash, document, created_at)
      SELECT chain_position, id, document_hash, document, created_at FROM sign_offs ORDER BY chain_position;
      CREATE TRIGGER chain_links_append_only BEFORE UPDATE OR DELETE ON chain_links FOR EACH ROW
      EXECUTE FUNCTION refuse_change();
    SQL
    remove_columns :sign_offs, :chain_position, :document_hash, :document
  end

  # A withdrawal stays withdrawn; its place in the chain is not known to what was before.
  def move_back
    change_table :sign_offs do |t|
      t.integer :chain_position, index: { unique: true }
      t.string :document_hash
      t.text :document
    end
    execute <<~SQL
      ALTER TABLE sign_offs DISABLE TRIGGER sign_offs_append_only;
      UPDATE sign_offs SET chain_position = l.position, document_hash = l.document_hash, document = l.document
      FROM chain_links l WHERE l.sign_off_id = sign_offs.id;
      ALTER TABLE sign_offs ENABLE TRIGGER sign_offs_append_only;
    SQL
    %i[chain_position document_hash document].each { |column| change_column_null :sign_offs, column, false }
  end
end
