# frozen_string_literal: true

module Fujin
  module Grading
    # The unit that a measure id ends with.
    module Units
      BY_SUFFIX = {
        '_kt' => 'kt',
        '_ft' => 'ft',
        '_fpm' => 'fpm',
        '_deg' => 'deg',
        '_pct' => 'pct',
        '_s' => 's',
        '_kw' => 'kw',
        '_kg' => 'kg',
        '_m_s' => 'm_s',
        '_per_min' => 'per_min'
      }.freeze

      def self.of(id) =
        BY_SUFFIX.select { |suffix, _| id.end_with?(suffix) }.max_by { |suffix, _| suffix.size }&.last || 'index'
    end
  end
end
