# frozen_string_literal: true

require_relative '../browser_helper'
require_relative 'every_view'

# What the automated check knows of WCAG 2.2 and of good practice, on every view, in every mode, at every size. In the
# tests' run each view is seen once in each mode, at another size each; FUJIN_EVERY=1 tries all nine.
class EveryoneTest < Minitest::Test
  include ServerHelp
  include BrowserHelp
  include EveryView

  MODES = %w[light sun dusk].freeze
  SIZES = [[1280, 800], [834, 1112], [360, 780]].freeze
  SEEN = ENV['FUJIN_EVERY'] ? MODES.product(SIZES) : MODES.zip(SIZES)

  def test_every_view_in_every_mode
    make_ready
    sign_in(@chief)
    found = views.product(SEEN).flat_map do |path, (mode, size)|
      window(*size)
      visit path
      assert_selector 'h1'
      assert_no_text 'Reading'
      page.execute_script("document.documentElement.dataset.mode = '#{mode}'")
      violations.map { |one| "#{path} #{mode} #{size.first}: #{one}" }
    end

    assert_empty found
  end
end
