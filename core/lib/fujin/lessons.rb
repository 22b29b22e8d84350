# frozen_string_literal: true

require 'yaml'

module Fujin
  # What was flown, seen as a lesson: the shared grader with the whole catalogue behind it.
  module Lessons
    # A usual lesson: its title, why, and its exercises with how many of each.
    Template = Value.define(:title, :reason, :exercises)

    # @return [Array<Template>] that can be taken as they are
    def self.templates
      @templates ||= YAML.safe_load_file(File.expand_path('../../data/lesson_templates.yml', __dir__)).map do |fields|
        Template.new(**fields.transform_keys(&:to_sym))
      end.freeze
    end

    # What a recording is measured against.
    # @param options see Grading::Context
    # @return [Grading::Context]
    def self.context(**options) = Grading::Context.new(catalogue: Catalogue, **options)
  end
end
