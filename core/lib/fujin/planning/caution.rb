# frozen_string_literal: true

module Fujin
  module Planning
    # `level` is 'limit' (stop and think), 'caution' or 'note'.
    Caution = Value.define(:id, :level, :text)
  end
end
