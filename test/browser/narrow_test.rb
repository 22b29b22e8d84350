# frozen_string_literal: true

require_relative '../browser_helper'
require_relative '../server/sign_off_help'

# On a phone, and on a desk's screen enlarged four times (320 px), nothing runs out of the page sideways: what is wide
# scrolls in its own frame.
class NarrowTest < Minitest::Test
  include ServerHelp
  include BrowserHelp
  include SignOffHelp

  def views
    lesson = "/sorties/#{Fujin::AttemptRow.first.sortie_id}"
    ['/', '/bookings', '/students', "/students/#{@student.id}", '/sites', '/fleet', '/method', '/people', '/school',
     '/me', "/people/#{@student.id}/log", *%w[prepare fly review record debrief].map { |stage| "#{lesson}/#{stage}" }]
  end

  def test_nothing_runs_out_of_a_narrow_page
    make_ready
    sign_in(@chief)
    [360, 320].each do |width|
      window(width, 780)
      views.each do |path|
        visit path
        assert_selector 'h1'
        assert_no_text 'Reading'

        assert_operator page.evaluate_script('document.documentElement.scrollWidth'), :<=, width, "#{path} at #{width}"
      end
    end
  end
end
