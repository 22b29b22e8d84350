# frozen_string_literal: true

# The units that a school reads in, for everybody who has not chosen their own; and when a code of an authenticator was
# used last, so that one overheard is worth nothing.
class UnitsOfASchool < ActiveRecord::Migration[7.2]
  def change
    add_column :schools, :units, :jsonb, null: false, default: {}
    add_column :people, :second_factor_used_at, :datetime
  end
end
