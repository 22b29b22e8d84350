# frozen_string_literal: true

module Fujin
  # A lesson's attempts as a person may see them, numbered in the order in which they came; their paths are asked for
  # one at a time.
  class AttemptViews
    ORDER = %i[created_at position].freeze

    # @param sortie [Sortie], @param viewer [Person]
    def initialize(sortie, viewer)
      @sortie = sortie
      @viewer = viewer
      @taps = HelpTaps.new(sortie.fly_events.preload(:by).to_a)
    end

    # @return [Array<Hash>]
    def to_a = rows.each_with_index.map { |row, i| view(row, i + 1) }

    # @return [Hash] of one
    def of(attempt) = view(rows(id: attempt.id).first, numbers.fetch(attempt.id))

    # @return [Hash{String => Integer}] by attempt
    def numbers = AttemptRow.where(sortie_id: @sortie.id).order(*ORDER).ids.each.with_index(1).to_h

    private

    def rows(**only)
      AttemptRow.pathless.where(sortie_id: @sortie.id, **only).order(*ORDER)
        .preload(:exercise, grades: :by, fault_calls: :by).each { |row| row.association(:sortie).target = @sortie }
    end

    def view(row, number) =
      Serialisers::AttemptView.new(row, number, @taps, held_back: HeldBack.from?(@viewer, row)).to_h
  end
end
