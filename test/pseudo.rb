# frozen_string_literal: true

require_relative '../scripts/texts'

# A language in which every letter of what is in the catalogue is marked: what still stands in plain letters is in none.
module Pseudo
  LANGUAGE = 'pseudo'
  MARK = "\u0307"
  # Three plain letters by themselves.
  WORD = /(?<![a-zA-Z#{MARK}_])[a-zA-Z]{3,}(?![a-zA-Z#{MARK}_])/

  module_function

  def learn
    @learn ||= Fujin::Text.learn(LANGUAGE, Texts.all.transform_values do |told|
      told.is_a?(Hash) ? told.transform_values { |form| marked(form) } : marked(told)
    end)
  end

  # All but the names of its parts.
  def marked(text) = text.gsub(/%\{\w+\}|[a-zA-Z]/) { |one| one.length > 1 ? one : "#{one}#{MARK}" }

  # @param value [Object] of an answer
  # @param data [Regexp] where nothing is to be translated
  # @param names [Regexp] what is not within a text
  # @return [Array<Array(String, String)>] where texts with plain words stand, and they
  def plain(value, data, names, where = '')
    case value
    when Hash then value.flat_map { |key, one| plain(one, data, names, "#{where}.#{key}") }
    when Array then value.flat_map { |one| plain(one, data, names, where) }
    when String then text?(value) && !where.match?(data) && value.gsub(names, '').match?(WORD) ? [[where, value]] : []
    else []
    end
  end

  # Numbers and ids of an answer are the same in every language, and texts stand where they stood.
  # @return [Array<Array(String, Object, Object)>] where it is otherwise, in English and told
  def apart(english, told, where = '')
    case [english, told]
    in Hash, Hash if english.keys == told.keys
      english.flat_map { |key, one| apart(one, told[key], "#{where}.#{key}") }
    in Array, Array if english.size == told.size
      english.zip(told).flat_map { |pair| apart(*pair, where) }
    in String, String if told.include?(MARK) then []
    else english == told ? [] : [[where, english, told]]
    end
  end

  def text?(value) = value.match?(/[ A-Z]/)
end
