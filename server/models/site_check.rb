# frozen_string_literal: true

require_relative 'record'

module Fujin
  # A power check flown at a site: `seen` and `predicted` in the gauge's `unit`, `k` the one over the other as power.
  class SiteCheck < Record
    # It holds for loads this near to its own, as a verdict does.
    MASS_SHARE = 0.05

    belongs_to :site, class_name: 'Fujin::SiteRow'
    belongs_to :by, class_name: 'Fujin::Person'
    scope :newest_first, -> { order(checked_at: :desc) }

    # The one that holds: the same type on the same day with about the same load.
    # @return [SiteCheck, nil]
    def self.holding(type_id:, mass_kg:, at:)
      return nil unless at

      where(type_id: type_id, checked_at: at.utc.all_day).newest_first
        .find { |check| ((mass_kg - check.mass_kg) / check.mass_kg).abs <= MASS_SHARE }
    end
  end
end
