# frozen_string_literal: true

require_relative '../server/sign_off_help'

# The addresses of all main views, of a school in which @student is ready for a sign-off.
module EveryView
  include SignOffHelp

  def views
    lesson = "/sorties/#{Fujin::AttemptRow.first.sortie_id}"
    ['/', '/bookings', '/students', "/students/#{@student.id}", '/sites', '/fleet', '/method', '/people', '/school',
     '/me', "/people/#{@student.id}", "/people/#{@student.id}/log", '/sign-offs',
     "/students/#{@student.id}/side-by-side?manoeuvre=straight_in_autorotation",
     *%w[prepare fly review record debrief].map { |stage| "#{lesson}/#{stage}" }]
  end
end
