# frozen_string_literal: true

# A colleague's grade of the same recording: kept beside the instructor's, never in its place.
class SecondOpinions < ActiveRecord::Migration[7.2]
  def change
    remove_check_constraint :grades, "kind IN ('self','instructor')", name: 'grades_kind'
    add_check_constraint :grades, "kind IN ('self','instructor','second')", name: 'grades_kind'
  end
end
