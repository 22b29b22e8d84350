# frozen_string_literal: true

require 'active_support'
require 'active_support/inflector'
require 'prawn'

Prawn::Fonts::AFM.hide_m17n_warning = true # what its fonts lack is spelled out here

module Fujin
  # Text as the PDF's own fonts can write it: what they have no letter for is spelled out.
  module PdfWords
    INK = '1B2738'
    SOFT = '4C5868'
    LIMIT = 'A82C14'
    LETTERS = {
      '−' => '-',
      '≤' => 'at most',
      '½' => '1/2',
      '²' => '2',
      '√' => 'root ',
      'Ω' => 'omega',
      'μ' => 'mu',
      'Φ' => 'bank',
      '→' => 'to',
      "\u00a0" => ' '
    }.freeze

    module_function

    # @return [String] UTF-8, with a letter's nearest, or '?', for those that the fonts do not have
    def plain(text)
      Text.told(text.to_s).gsub(/[−≤½²√ΩμΦ→\u00a0]/, LETTERS).each_char.map { |letter| written(letter) }.join
    end

    def written(letter)
      letter.encode('Windows-1252') && letter
    rescue Encoding::UndefinedConversionError
      ActiveSupport::Inflector.transliterate(letter, '?')
    end
  end
end
