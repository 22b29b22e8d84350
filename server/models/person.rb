# frozen_string_literal: true

require 'bcrypt'
require_relative 'record'

module Fujin
  class Person < Record
    INSTRUCTORS = %w[chief_instructor instructor].freeze
    # Those whose own flights are recorded and graded.
    LEARNERS = %w[student instructor_candidate].freeze
    ROLES = [*INSTRUCTORS, *LEARNERS].freeze
    # Each more doubles the time that a password takes to be tried.
    PASSWORD_COST = Settings.test? ? 4 : 12
    # Of no password: takes as long to be tried as anybody's, so that nobody learns by it which names there are.
    NOBODYS_DIGEST = format('$2a$%02d$%s', PASSWORD_COST, '.' * 53).freeze

    has_many :sorties_flown, class_name: 'Fujin::Sortie', foreign_key: :student_id, inverse_of: :student
    has_many :documents, -> { in_force }, class_name: 'Fujin::PersonDocument', inverse_of: :person
    scope :present, -> { where(left_on: nil) }
    # Those who left keep their records.
    scope :learners, -> { where(role: LEARNERS).order(:name) }
    scope :students, -> { present.where(role: LEARNERS).order(:name) }

    def password=(text)
      self.password_digest = BCrypt::Password.create(text, cost: PASSWORD_COST)
    end

    # Somebody who was invited and has not come yet has none.
    def password?(text) = !password_digest.nil? && BCrypt::Password.new(password_digest).is_password?(text)
    def instructor? = INSTRUCTORS.include?(role)
    def chief? = role == 'chief_instructor'
    def learner? = LEARNERS.include?(role)
    def candidate? = role == 'instructor_candidate'

    # @return [String] 'invited', 'active', 'suspended' or 'left'
    def state
      return 'left' if left_on
      return 'suspended' if suspended_at

      password_digest ? 'active' : 'invited'
    end

    def may_sign_in? = state == 'active'
    def second_factor? = !second_factor_since.nil?
  end
end
