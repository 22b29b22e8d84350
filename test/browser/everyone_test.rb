# frozen_string_literal: true

require_relative '../browser_helper'
require_relative 'every_view'

# What the automated check knows of WCAG 2.2 and of good practice, on every view, in every mode, at every size, and that
# none is wider than its window, be it a desk's screen enlarged four times: what is wide scrolls within itself. In the
# tests' run each view is checked once in each mode, at another size each, and measured in all windows; FUJIN_EVERY=1
# checks all twelve.
class EveryoneTest < Minitest::Test
  include ServerHelp
  include BrowserHelp
  include EveryView

  # Views are drawn, not tests.
  by_lot(nil)

  MODES = %w[light sun dusk].freeze
  SIZES = [[1280, 800], [820, 1180], [360, 780], [1180, 820]].freeze
  WINDOWS = [*SIZES, [320, 780]].freeze
  SEEN = ENV['FUJIN_EVERY'] ? MODES.product(SIZES) : MODES.zip(SIZES)

  # What is pressed and lower than a finger: not words in a running text, nor the marks of a map, of which there are
  # as many as attempts; a box to tick is as high as its label. In a table's row a word that opens its reason is as high
  # as the row, but for a finger.
  LOW = <<~JS
    const target = parseFloat(getComputedStyle(document.documentElement).getPropertyValue('--target'))
    const height = (one) => Math.max(...[one, one.closest('label')].filter(Boolean).map((at) => at.getBoundingClientRect().height))
    return [...document.querySelectorAll('button, select, summary, a, input')]
      .filter((one) => one.checkVisibility() && one.getBoundingClientRect().width > 1 && getComputedStyle(one).display !== 'inline')
      .filter((one) => !one.matches('.why, [data-mark], [disabled] *') && height(one) < Math.min(target, 44) - 0.5)
      .map((one) => one.tagName.toLowerCase() + ' ' + Math.round(height(one)) + ' ' + (one.ariaLabel ?? one.textContent ?? '').trim().slice(0, 30))
  JS

  def test_every_view_in_every_mode
    a_school_at_work
    sign_in(@chief)
    found = ByLot.of(views).flat_map do |path, shown|
      window(*SIZES.first)
      open_view(path, shown)
      SEEN.flat_map do |mode, size|
        window(*size)
        page.execute_script("document.documentElement.dataset.mode = '#{mode}'")
        assert_whole(shown)
        [*seen_wrong, *too_wide].map { |one| "#{path} #{mode} #{size.first}: #{one}" }
      end
    end

    assert_empty found
  end

  # @return [Array<String>]
  def seen_wrong
    low = page.evaluate_script("(function () { #{LOW} })()").uniq.map { |one| "lower than a finger: #{one}" }
    violations + low
  end

  # The window is drawn wider and narrower under the same view.
  def too_wide
    WINDOWS.filter_map do |size|
      window(*size)
      wide = page.evaluate_script('document.documentElement.scrollWidth - document.documentElement.clientWidth')
      "wider than its window of #{size.first} by #{wide}" if wide.positive?
    end
  end
end
