# frozen_string_literal: true

require 'capybara'
require 'selenium-webdriver'

# What is seen of an element, as the browser itself says it. Selenium's own scripts ask for the style of every element
# of the page, some fifty milliseconds each time in which neither the page nor the test goes on: half of what a page
# does in a test of many figures. What a test looks at without waiting it has to wait for by its name: it comes sooner.
module AsShown
  # A choice of a list is seen where its list is.
  SEEN = <<~JS
    function (element) {
      const one = element.closest('select') ?? element
      return one.checkVisibility({ opacityProperty: true, visibilityProperty: true }) && one.getClientRects().length > 0
    }
  JS

  # One line for a line, cells apart by a space.
  TEXT = <<~JS
    return (arguments[0].innerText ?? arguments[0].textContent).replace(/[^\\S\\n]+/g, ' ').replace(/ ?\\n[ \\n]*/g, '\\n').trim()
  JS

  def visible_text = driver.execute_script(TEXT, self)
  def visible? = driver.execute_script("return (#{SEEN})(arguments[0])", self)

  # For many at a time.
  module Found
    private

    def is_displayed_atom = SEEN
  end

  require 'capybara/selenium/nodes/chrome_node'
  Capybara::Selenium::ChromeNode.prepend(self)
  Capybara::Selenium::Driver.prepend(Found)
  Capybara::Selenium::ChromeNode.prepend(Found)
end
