# frozen_string_literal: true

module Fujin
  module Sites
    # What has to be answered of a site, and what is open. When passes differ the lower one holds.
    class Survey
      # The points of the four groups, in the order in which they are looked at.
      REQUIRED = {
        'ground' => %w[size slope surface edge movables],
        'air_and_light' => %w[wind lee sun],
        'obstructions' => %w[wire pole other],
        'lines' => %w[approach break_off end manoeuvring departure escape]
      }.freeze
      # Open, these leave nothing suitable.
      BLOCKING = %w[wire edge surface].freeze
      # From the nearest to the ground down to the farthest.
      PASSES = %w[surveyed walked low high].freeze
      # Near enough to confirm.
      CLOSE_PASSES = %w[surveyed walked low].freeze
      STATUSES = %w[seen not_there open].freeze

      # @param points [Array<SurveyPoint>], @param obstacles [Array<Obstacle>]
      def initialize(points, obstacles)
        @points = points
        @obstacles = obstacles
      end

      # The answer that holds of each required point.
      # @return [Hash{Array(String, String) => SurveyPoint, nil}] by group and what it is about
      def answers
        @answers ||= REQUIRED.flat_map { |group, abouts| abouts.map { |about| [group, about] } }.to_h do |group, about|
          given = @points.select { |point| point.group == group && point.about == about }
          [[group, about], given.min_by { |point| PASSES.index(point.pass) || PASSES.size }]
        end
      end

      # Ids of what is open; a required point that nobody answered as 'group.about'.
      # @return [Array<String>]
      def open
        asked = answers.filter_map do |(group, about), point|
          next "#{group}.#{about}" if point.nil?

          point.id if point.status == 'open'
        end
        asked + @obstacles.select(&:open?).map(&:id)
      end

      # Open points and obstacles that leave nothing suitable.
      # @return [Array<String>]
      def blocking
        asked = answers.filter_map do |(group, about), point|
          next unless BLOCKING.include?(about) && (point.nil? || point.status == 'open')

          point ? point.id : "#{group}.#{about}"
        end
        asked + @obstacles.select { |one| one.open? && BLOCKING.include?(one.what) }.map(&:id)
      end

      # Required points that no low pass has answered: the site is suitable at best on condition.
      # @return [Array<String>] ids
      def from_high_only = answers.values.compact.reject { |point| CLOSE_PASSES.include?(point.pass) }.map(&:id)
    end
  end
end
