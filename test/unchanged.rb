# frozen_string_literal: true

require 'digest'
require 'fileutils'

# What a check has read, so that it is not asked again about the same files: a linter that knows types takes a minute
# and a half to say what it said before.
class Unchanged
  # @param name [String] of the check, @param patterns [Array<String>] of all that it reads, its settings too
  # @param root [String], @param kept [String] folder of what passed before
  def initialize(name, patterns, root:, kept:)
    @kept = File.join(kept, "passed-#{name.downcase.tr(' ', '-')}")
    files = Dir[*patterns.map { |pattern| File.join(root, pattern) }].select { |file| File.file?(file) }.sort
    @read = Digest::SHA256.hexdigest(files.map { |file| "#{file} #{Digest::SHA256.file(file).hexdigest}\n" }.join)
  end

  def since_it_passed? = File.file?(@kept) && File.read(@kept) == @read

  # Of the files as they were before it began.
  def passed
    FileUtils.mkdir_p(File.dirname(@kept))
    File.write(@kept, @read)
  end
end
