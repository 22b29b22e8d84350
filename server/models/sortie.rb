# frozen_string_literal: true

require_relative 'record'

module Fujin
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
end
