# frozen_string_literal: true

require_relative '../scripts/texts'

# A language in which every letter of what is in the catalogue is marked: what still stands in plain letters is in none.
module Pseudo
  LANGUAGE = 'pseudo'
  MARK = "\u0307"

  # Names, addresses, marks of aircraft and what people write are nobody's to translate; ids and codes are told as words
  # by the client.
  module_function

  def learn
    @learn ||= Fujin::Text.learn(LANGUAGE, Texts.all.transform_values do |told|
      told.is_a?(Hash) ? told.transform_values { |form| marked(form) } : marked(told)
    end)
  end

  # All but the names of its parts.
  def marked(text) = text.gsub(/%\{\w+\}|[a-zA-Z]/) { |one| one.length > 1 ? one : "#{one}#{MARK}" }

  # @param value [Object] of an answer
  # @return [Array<Array(String, String)>] where texts with plain words stand, and they
  def plain(value, where = '')
    case value
    when Hash then value.flat_map { |key, one| plain(one, "#{where}.#{key}") }
    when Array then value.flat_map { |one| plain(one, where) }
    when String then value.match?(/(?<![a-zA-Z#{MARK}_\/.-])[a-zA-Z]{3,}(?![a-zA-Z#{MARK}_])/) ? [[where, value]] : []
    else []
    end
  end
end
