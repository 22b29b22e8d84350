# frozen_string_literal: true

require 'prism'

class Mutate
  # The core's files and what stands in them.
  module Sources
    ROOT = File.expand_path('../..', __dir__)

    module_function

    # @return [Array<String>] from the root
    def all = Dir[File.join(ROOT, 'core/lib/**/*.rb')].map { |file| file.delete_prefix("#{ROOT}/") }.sort

    # @return [Array<Prism::Node>] of a file, but for what stands in texts
    def nodes(file)
      found = []
      walk(Prism.parse_file(File.join(ROOT, file)).value) { |node| found << node }
      found
    end

    def walk(node, &block)
      return if node.is_a?(Prism::StringNode)

      yield node
      node.compact_child_nodes.each { |child| walk(child, &block) }
    end
  end
end
