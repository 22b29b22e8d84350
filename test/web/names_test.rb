# frozen_string_literal: true

require_relative '../web_helper'

# Two modules whose names differ in large and small letters alone are one where a file system tells no difference.
class ModuleNamesTest < Minitest::Test
  def test_no_two_modules_differ_in_case_alone
    names = Dir[File.join(WebModule::ROOT, 'web', 'src', '**', '*.{ts,tsx}')].map { |file| file.sub(/\.tsx?\z/, '') }

    assert_empty(names.group_by(&:downcase).values.reject(&:one?))
  end
end
