# frozen_string_literal: true

module Fujin
  # Which of many routes with places for ids (`GET /api/sorties/{id}/attempts`, or `:id`) a request is of: found part by
  # part, for a walk through all of them was a fifth of what a read cost. Words go before places.
  class RouteTree
    # What a route stands for, and what an address has in its places, by their names.
    Found = Value.define(:what, :places)
    # The rest of the addresses that go on in a place for anything, and what is at an end here.
    Node = Struct.new(:words, :place, :end)
    End = Value.define(:what, :names)

    # @param routes [Hash{String => Object}] by route, what it stands for
    def initialize(routes)
      @root = empty
      routes.each { |route, what| add(route, what) }
    end

    # @param address [String] verb and path as they were asked for
    # @return [Found, nil]
    def find(address) = walk(@root, parts(address), 0, [])

    private

    def empty = Node.new({}, nil, nil)
    # An end with a slash is another address than one without.
    def parts(address) = address.split('/', -1)
    def name(part) = part[/\A\{(.+)\}\z/, 1] || part[/\A:(.+)\z/, 1]

    def add(route, what)
      names = parts(route).filter_map { |part| name(part) }
      node = parts(route).reduce(@root) { |at, part| name(part) ? at.place ||= empty : at.words[part] ||= empty }
      node.end = End.new(what: what, names: names)
    end

    def walk(node, parts, at, taken)
      return node.end && Found.new(what: node.end.what, places: node.end.names.zip(taken).to_h) if at == parts.size

      word = node.words[parts[at]]
      found = word && walk(word, parts, at + 1, taken)
      return found if found || node.place.nil? || parts[at].empty?

      walk(node.place, parts, at + 1, [*taken, parts[at]])
    end
  end
end
