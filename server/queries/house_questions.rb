# frozen_string_literal: true

module Fujin
  # Which of the house method's choices matter to a manoeuvre, so that an exercise can be given its own.
  module HouseQuestions
    module_function

    # @return [Array<Hash>] name, question in full and short, choices
    def for(declaration)
      declaration.house.map do |name|
        setting = Planning::HouseMethod::SETTINGS.find { |s| s.name == name }
        { 'name' => name, 'question' => setting.question, 'short' => setting.short, 'choices' => setting.allowed }
      end
    end
  end
end
