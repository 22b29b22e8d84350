# frozen_string_literal: true

require 'bcrypt'
require_relative 'record'

module Fujin
  class Person < Record
    INSTRUCTORS = %w[chief_instructor instructor].freeze
    # Those whose own flights are recorded and graded.
    LEARNERS = %w[student instructor_candidate].freeze

    has_many :sorties_flown, class_name: 'Fujin::Sortie', foreign_key: :student_id, inverse_of: :student
    scope :students, -> { where(role: LEARNERS).order(:name) }

    def password=(text)
      self.password_digest = BCrypt::Password.create(text, cost: Settings.test? ? 4 : 12)
    end

    def password?(text) = BCrypt::Password.new(password_digest).is_password?(text)
    def instructor? = INSTRUCTORS.include?(role)
    def chief? = role == 'chief_instructor'
    def learner? = LEARNERS.include?(role)
    def candidate? = role == 'instructor_candidate'
  end
end
