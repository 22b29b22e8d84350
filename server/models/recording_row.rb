# frozen_string_literal: true

require_relative 'record'

module Fujin
  class RecordingRow < Record
    self.table_name = 'recordings'
    belongs_to :sortie, class_name: 'Fujin::Sortie'
    belongs_to :by, class_name: 'Fujin::Person'
    has_many :channels, class_name: 'Fujin::ChannelRow', foreign_key: :recording_id, inverse_of: :recording
    has_many :attempts,
             -> { order(:position) },
             class_name: 'Fujin::AttemptRow',
             foreign_key: :recording_id,
             inverse_of: :recording

    # Everything but the file's bytes, which are large.
    scope :light, -> { select(column_names - %w[bytes]) }
  end
end
