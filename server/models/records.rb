# frozen_string_literal: true

require 'bcrypt'

module Fujin
  # Rows. Rules of the job stay in the core; these only know their tables and each other.
  class Record < ActiveRecord::Base
    self.abstract_class = true
    self.record_timestamps = true
  end

  # The one school this installation serves: its house method, readiness rule and signing key.
  class School < Record
    def self.current = first || raise(NotFound, 'The school is not set up: run bin/start once.')

    def house_method(*changes) = Planning::HouseMethod.new(changes.reduce(house) { |all, change| all.merge(change) })
    def readiness_rule = readiness.transform_keys(&:to_sym)
    def signing_key = SealedKey.open(sealed_private_key, Settings.secret)
  end

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

  class AircraftRow < Record
    self.table_name = 'aircraft'
    def type = @type ||= TypeStore.find(type_id)
  end

  # One version of a type the school keeps for itself; the newest counts, none is ever changed.
  class AircraftTypeVersion < Record
    belongs_to :by, class_name: 'Fujin::Person'
    scope :in_order, -> { order(:type_id, :number) }
  end

  # A thousand landings worked out for one question about one sortie.
  class DispersionRow < Record
    self.table_name = 'dispersions'
    belongs_to :sortie, class_name: 'Fujin::Sortie'
  end

  class WeatherReport < Record
  end

  # What a device's own headings mean, by the header row they come in.
  class HeadingMapping < Record
    belongs_to :by, class_name: 'Fujin::Person'

    # @return [Recordings::Headings, nil] what was told of this file's headings
    def self.for(bytes)
      titles = Recordings.titles(bytes)
      row = titles && find_by(signature: Recordings::Headings.signature(titles))
      row && Recordings::Headings.new(row.columns)
    end
  end

  class Sortie < Record
    belongs_to :student, class_name: 'Fujin::Person'
    belongs_to :instructor, class_name: 'Fujin::Person'
    belongs_to :aircraft, class_name: 'Fujin::AircraftRow'
    has_many :fly_events, -> { order(:position) }, class_name: 'Fujin::FlyEvent', inverse_of: :sortie
    has_many :recordings, -> { order(:created_at) }, class_name: 'Fujin::RecordingRow', inverse_of: :sortie
    has_many :attempts, -> { order(:created_at, :position) }, class_name: 'Fujin::AttemptRow', inverse_of: :sortie

    def declaration = Catalogue.find(manoeuvre)
    def flight_minutes = off_at && on_at ? ((on_at - off_at) / 60.0).round : nil
    # An instructor candidate teaches, and the instructor plays the student.
    def teaching? = student.candidate?
  end

  class FlyEvent < Record
    belongs_to :sortie, class_name: 'Fujin::Sortie'
    belongs_to :by, class_name: 'Fujin::Person'
  end

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

  # One channel's samples, packed little-endian: float64 for time and position, float32 for the rest.
  class ChannelRow < Record
    self.table_name = 'recording_channels'
    belongs_to :recording, class_name: 'Fujin::RecordingRow'
    PACK = { 'float64' => 'E*', 'float32' => 'e*' }.freeze

    def self.pack(name, values)
      precision = Recordings::Channels::DOUBLE.include?(name) ? 'float64' : 'float32'
      { name: name, precision: precision, samples: values.pack(PACK.fetch(precision)) }
    end

    def values = samples.unpack(PACK.fetch(precision))
  end

  class AttemptRow < Record
    self.table_name = 'attempts'
    belongs_to :sortie, class_name: 'Fujin::Sortie'
    belongs_to :recording, class_name: 'Fujin::RecordingRow'
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

    def declaration = Catalogue.find(manoeuvre)

    # The proposal held to what the student had in hand.
    def judged = JudgedProposal.new(proposal, task).to_h

    # The student's own whole manoeuvre: what readiness may rest on.
    def whole? = task == 'whole' && manner != 'demonstration' && !sortie.teaching?

    # Phases that the recording proposes a grade for.
    def proposed_phases = judged['phases'].reject { |phase| phase['grade'].nil? }.map { |phase| phase['id'] }

    # What the lesson was for, or what a standard judges; the rest of what a recording holds is shown beside it.
    def asked? = manoeuvre == sortie.manoeuvre || proposed_phases.any?
  end

  # A fault said before the recording is looked at: played by the instructor, or named by the candidate. A nil fault is
  # none.
  class FaultCall < Record
    belongs_to :attempt, class_name: 'Fujin::AttemptRow'
    belongs_to :by, class_name: 'Fujin::Person'
  end

  class GradeRow < Record
    self.table_name = 'grades'
    belongs_to :attempt, class_name: 'Fujin::AttemptRow'
    belongs_to :by, class_name: 'Fujin::Person'
  end

  class SignOff < Record
    belongs_to :student, class_name: 'Fujin::Person'
    belongs_to :by, class_name: 'Fujin::Person'
    has_one :withdrawal, class_name: 'Fujin::SignOffWithdrawal', inverse_of: :sign_off
    scope :in_order, -> { order(:chain_position) }

    def parsed = @parsed ||= JSON.parse(document)
    def statement = parsed.fetch('statement')
  end

  class SignOffWithdrawal < Record
    belongs_to :sign_off, class_name: 'Fujin::SignOff'
    belongs_to :by, class_name: 'Fujin::Person'
  end
end
