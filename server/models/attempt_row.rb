# frozen_string_literal: true

require_relative 'record'

module Fujin
  class AttemptRow < Record
    self.table_name = 'attempts'
    belongs_to :sortie, class_name: 'Fujin::Sortie'
    belongs_to :recording, class_name: 'Fujin::RecordingRow'
    belongs_to :exercise, class_name: 'Fujin::Exercise', optional: true, inverse_of: :attempts
    has_many :grades,
             -> { order(:position) },
             class_name: 'Fujin::GradeRow',
             foreign_key: :attempt_id,
             inverse_of: :attempt
    has_many :fault_calls,
             -> { order(:created_at, :id) },
             class_name: 'Fujin::FaultCall',
             foreign_key: :attempt_id,
             inverse_of: :attempt

    # Measured before what its exercise measures by was changed.
    scope :stale, -> { joins(:exercise).where('exercises.plan_version <> attempts.plan_version') }

    # Without what only the attempt's own page needs; what lists ask of a proposal the database keeps in columns.
    HEAVY = %w[proposal path].freeze
    scope :light, -> { select(column_names - HEAVY) }
    # Measures that records count by.
    COUNTED = %w[throttle_reduction_s collective_delay_s].freeze

    # Of a light row: the whole proposal where it is #narrowed?, and what was given by kind and phase.
    attr_writer :whole_proposal, :given

    def declaration = Catalogue.find(manoeuvre)
    # As the audit log names it.
    def title = "#{sortie.student.name}, #{declaration.title}, #{sortie.day.iso8601}"
    def light? = !has_attribute?('proposal')

    # As much of the proposal as a light row has: result, critical, phases.
    def told
      return proposal unless light?

      @told ||= { 'result' => self['result'], 'critical' => self['critical'], 'phases' => self['phases'] }
    end

    def counted(measure) = light? ? self[measure] : proposal.dig('measures', measure, 'value')

    # Held to less than the whole of it.
    def narrowed? = task != 'whole' || (exercise&.not_judged || []).any?

    # The proposal held to what the student had in hand, and to what counts today.
    def judged
      return told unless narrowed?

      JudgedProposal.new(light? ? @whole_proposal : proposal, task, exercise&.not_judged || []).to_h
    end

    # The path of the attempt itself, without what was recorded before and after it.
    def flown_path = (path || []).select { |point| point['t_s'].between?(start_s, end_s) }

    # The student's own whole manoeuvre, all of it judged: what readiness may rest on.
    def whole? = task == 'whole' && manner != 'demonstration' && !sortie.teaching? && !exercise&.practice?

    # Phases that the recording proposes a grade for.
    def proposed_phases = judged['phases'].reject { |phase| phase['grade'].nil? }.map { |phase| phase['id'] }

    # The last word on each phase that somebody graded.
    # @param kind [String] instructor, self, second
    # @return [Hash{String => Integer}]
    def given(kind)
      return @given.fetch(kind, {}) if @given

      grades.select { |g| g.kind == kind }.group_by(&:phase).transform_values { |all| all.last.grade }
    end

    # Whether the student has graded all of what is proposed; where nothing could be judged, everything.
    def self_graded?
      asked = proposed_phases.any? || !asked? ? proposed_phases : told['phases'].map { |phase| phase['id'] }
      (asked - given('self').keys).empty?
    end

    # Whether its learner has said their own word on it: a student the grades, a candidate the fault.
    def answered? = sortie.teaching? ? fault_calls.any? { |call| call.kind == 'named' } : self_graded?

    # Is it an attempt at an exercise of the lesson? The rest of what a recording holds is shown beside it.
    def asked? = !exercise_id.nil?
  end
end
