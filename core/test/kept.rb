# frozen_string_literal: true

require 'fileutils'
require 'json'
require 'zlib'

# Answers that were given before, kept in core/test/kept/: they hold what no rule's own test looks at, so that nothing
# changes by accident. They prove that an answer is the same, not that it is right; that is proved elsewhere.
#
# A change that is wanted: run the test with FUJIN_KEEP=1, read the difference, say why in the commit.
module Kept
  FOLDER = File.join(__dir__, 'kept')
  # The last digits are the machine's mathematics library's.
  SHARE = 1e-7
  LEAST = 1e-7

  module_function

  # @param found [Hash{String => Hash{String => Numeric, String, nil}}] by case
  # @return [Array<String>] what differs from the file
  def differences(file, found)
    path = File.join(FOLDER, "#{file}.json")
    keep(path, found) if ENV['FUJIN_KEEP']
    kept = JSON.parse(File.read(path))
    (kept.keys | found.keys).flat_map do |name|
      was, is = [kept, found].map { |all| all.fetch(name, {}) }
      (was.keys | is.keys).reject { |key| alike?(was[key], is[key]) }
        .map { |key| "#{name}, #{key}: #{was[key].inspect} was kept, now #{is[key].inspect}" }
    end
  end

  def alike?(was, now)
    return was == now unless was.is_a?(Numeric) && now.is_a?(Numeric)

    (was - now).abs <= [SHARE * was.abs, LEAST].max
  end

  def keep(path, found)
    FileUtils.mkdir_p(FOLDER)
    lines = found.map { |name, answers| "#{JSON.generate(name)}: #{JSON.generate(answers)}" }
    File.write(path, "{\n#{lines.join(",\n")}\n}\n")
  end

  # Anything as one number and the words in it as another.
  def sum(object)
    numbers, words = leaves(object).partition { |leaf| leaf.is_a?(Numeric) }
    { '=' => together(numbers), 'n' => numbers.size, 'words' => Zlib.crc32(words.join(' ')) }
  end

  # Of each part its sum, under its name.
  # @param parts [Hash{String, Symbol => Object}]
  def sums(parts)
    parts.flat_map { |name, part| sum(part).map { |key, value| ["#{name} #{key}", value] } }.to_h
  end

  # Each number counts with its place, and by its logarithm: a small one like a large one.
  def together(numbers) = numbers.each_with_index.sum { |number, i| (1 + (i % 7)) * squeezed(number&.to_f) }.round(5)

  # What is no number counts as one that is as good as none.
  def squeezed(number) = number&.finite? ? Math.log(1.0 + (1000.0 * number.abs)) * (number <=> 0.0) : -0.5

  def leaves(object)
    case object
    when nil, true, false then []
    when Numeric then [object]
    when String, Symbol then [object.to_s]
    when Array then object.flat_map { |one| leaves(one) }
    when Hash then object.flat_map { |key, one| [key.to_s, *leaves(one)] }
    else object.respond_to?(:to_h) ? leaves(object.to_h) : []
    end
  end

  def one(value) = value.is_a?(Numeric) ? rounded(value) : value&.to_s

  def rounded(number) = number.zero? || !number.to_f.finite? ? 0.0 : number.to_f.round(8 - Math.log10(number.abs).ceil)

  # What lies outside the model says so; that is an answer too.
  def asked
    yield
  rescue Fujin::OutsideModel => e
    e.message
  end

  # A proposal: phases, measures with verdicts, faults with their evidence.
  def told(proposal)
    name = "#{proposal.attempt.manoeuvre} "
    measures = proposal.measures.to_h do |id, m|
      [name + id, m.value.nil? ? m.reason : "#{one(m.value)&.round(5)} #{m.verdict}#{' critical' if m.critical}"]
    end
    phases = proposal.attempt.phases.to_h { |p| ["#{name}#{p.id}", "#{p.start_s.round(2)} to #{p.end_s.round(2)}"] }
    faults = proposal.faults.map { |fault| "#{fault.id} #{fault.from_s.round(1)} to #{fault.to_s.round(1)}" }.join(', ')
    measures.merge(phases).merge("#{name}faults" => faults,
                                 "#{name}evidence" => sum(proposal.faults.map(&:evidence))['words'])
  end
end
