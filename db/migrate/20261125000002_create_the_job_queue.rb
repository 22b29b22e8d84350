# frozen_string_literal: true

require 'que'

# The job queue lives in PostgreSQL beside the records.
class CreateTheJobQueue < ActiveRecord::Migration[7.2]
  def up
    Que.connection = ActiveRecord
    Que.migrate!(version: 7)
  end

  def down
    Que.connection = ActiveRecord
    Que.migrate!(version: 0)
  end
end
