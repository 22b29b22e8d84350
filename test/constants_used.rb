# frozen_string_literal: true

require 'prism'

# Which constants of ours a file uses, read from its syntax tree and found where Ruby would find them, and which files
# they come from.
class ConstantsUsed
  # @param folder [String] whose files are looked at; names of files are relative to it
  def initialize(folder)
    @folder = folder
    @names = Dir["#{folder}/**/*.rb"].to_h { |file| [relative(file), names_in(Prism.parse_file(file).value)] }
  end

  # @return [Array<String>] every file looked at
  def files = @names.keys
  # @return [Array<String>] full names of the constants that a file uses
  def names(file) = @names.fetch(file)

  # @return [Array<String>] the files of the folder that a file uses
  def used_by(file) = names(file).filter_map { |name| file_of(name) }.uniq - [file]

  # The full name that a constant has, written inside a nesting; nil for what is not loaded.
  # @param nesting [Array<String>] module names, outermost first
  def resolve(name, nesting)
    nesting.size.downto(1).each do |depth|
      full = [*nesting.first(depth), name].join('::')
      return full if Object.const_defined?(full, false)
    rescue NameError
      next
    end
    nil
  end

  private

  def relative(path) = path.delete_prefix("#{@folder}/")

  def names_in(node, nesting = [], found = [])
    case node
    when Prism::ModuleNode, Prism::ClassNode
      names_in(node.superclass, nesting, found) if node.is_a?(Prism::ClassNode) && node.superclass
      names_in(node.body, [*nesting, node.constant_path.slice], found) if node.body
    when Prism::ConstantPathNode, Prism::ConstantReadNode
      resolved = resolve(node.slice, nesting)
      found << resolved if resolved
    else
      node&.compact_child_nodes&.each { |child| names_in(child, nesting, found) }
    end
    found.uniq
  end

  # Where a constant is defined, or what holds it.
  def file_of(full_name)
    parts = full_name.split('::')
    parts.size.downto(2).each do |count|
      path, = Object.const_source_location(parts.first(count).join('::'))
      return relative(path) if path&.start_with?(@folder)
    end
    nil
  end
end
