# frozen_string_literal: true

module Fujin
  # What of a request does not fit the contract, for the person who reads it: which field, what was expected, what came.
  # The checker says it for developers; here its sentence is read and said again with the bounds of the contract.
  class ContractFault
    PLACE = %r{#/\S+}
    VERSION = 'expected the version that was read; read it again, then repeat what you did'
    # In a person's words what the contract calls a kind.
    KINDS = { 'string' => 'a text', 'number' => 'a number', 'integer' => 'a whole number', 'boolean' => 'yes or no',
              'array' => 'a list', 'object' => 'an entry with its own fields' }.freeze
    FORMATS = { 'uuid' => 'an id', 'date' => 'a day such as 2026-04-30',
                'date-time' => 'a moment such as 2026-04-30T09:30:00Z' }.freeze
    LONG = 60
    GOT = /(?:received \w+: |Value: |value: )(.+?)(?: is not conformant.*)?\z|\A(.+?) (?:is|isn't|contains) /

    # Read when the first fault is.
    def self.contract = @contract ||= YAML.safe_load_file(Settings::CONTRACT).freeze

    # @return [Array<String>] what a shared part is called where it is used
    def self.names_of(place, node = contract)
      return [] unless node.is_a?(Enumerable)

      own = node.is_a?(Hash) ? node.fetch('properties', nil) : nil
      found = own.is_a?(Hash) ? own.select { |_, part| part.is_a?(Hash) && part['$ref'] == place }.keys : []
      (found + (node.is_a?(Hash) ? node.values : node).flat_map { |part| names_of(place, part) }).uniq
    end

    # @param text [String] as the checker says it
    def initialize(text)
      @text = text
      @place = text[PLACE].to_s
      @rest = text.sub(/(?:in )?#{PLACE}/o, '').strip
    end

    # @return [String] the field's name, parts joined by points; empty where none is at fault
    def path = [*fields, *(missing if missing&.one?)].join('.')

    # @return [String]
    def message
      return VERSION if missing == ['If-Match']
      return 'still to be filled in' if missing&.one?
      return Text.of('still to be filled in: %{fields}', fields: missing.join(', ')) if missing

      if @rest.include?('does not define')
        return Text.of('expected nothing of the name %{rest}', rest: @rest[/properties: (.+)/, 1])
      end

      return Text.of('expected %{expected}, got %{got}', expected: expected, got: got) if expected && got
      return Text.of('expected %{expected}', expected: expected) if expected

      got ? Text.of('got %{got}', got: got) : @rest
    end

    private

    # What stands after each 'properties' of the place; of a part that several bodies share, its name in all of them.
    def fields
      own = @place.split('/').each_cons(2).filter_map { |before, name| name if before == 'properties' }
      own = self.class.names_of(@place) if own.empty?
      own.one? || @place.include?('/properties/') ? own : []
    end

    def missing = @missing ||= @rest[/missing required parameters: (.+)/, 1]&.split(', ')

    # A long one is cut, a password is told to nobody.
    def got
      text = (@rest[GOT, 1] || @rest[GOT, 2])&.sub(/\A(-?\d+)\.0\z/, '\1') unless path.include?('password')
      text && text.size > LONG ? "#{text[0, LONG]}…" : text
    end

    def expected
      return ('something' if @rest.include?('null values')) unless schema
      return Text.of('one of %{schema}', schema: schema['enum'].compact.join(', ')) if schema['enum']

      kind, low, high = schema.values_at('type', 'minimum', 'maximum')
      called = FORMATS[schema['format']] || KINDS[kind]
      said = [called && Text.of(called), span('from', low, high), *lengths].compact
      said.join(' ') unless said.empty?
    end

    def span(word, low, high, unit = nil)
      both = word == 'from' ? 'from %{low} to %{high}' : 'of %{low} to %{high}'
      said = Text.of(both, low: low, high: high) if low && high
      said ||= (Text.of('of at least %{low}', low: low) if low) || (Text.of('of at most %{high}', high: high) if high)
      [said, unit && Text.of(unit)].compact.join(' ') if said
    end

    def lengths
      [span('of', *schema.values_at('minLength', 'maxLength'), 'characters'),
       span('of', *schema.values_at('minItems', 'maxItems'), 'entries'),
       (Text.of('in the form %{schema}', schema: schema['pattern']) if schema['pattern'])]
    end

    # Where the place points to in the contract.
    def schema
      return @schema if defined?(@schema)

      keys = @place.delete_prefix('#/').split('/').map { |key| key.gsub('~1', '/').gsub('~0', '~') }
      @schema = keys.reduce(self.class.contract) { |at, key| plain(at.is_a?(Array) ? at[key.to_i] : at&.dig(key)) }
    end

    def plain(node)
      reference = node.is_a?(Hash) && node['$ref']
      reference ? self.class.contract.dig(*reference.delete_prefix('#/').split('/')) : node
    end
  end
end
