# frozen_string_literal: true

module Fujin
  # Immutable values with named fields, as Ruby 3.2's `Data` has them.
  #
  #   Point = Value.define(:x_m, :y_m)
  #   Point.new(x_m: 1.0, y_m: 2.0).with(x_m: 3.0)
  module Value
    # @return [Class] a frozen struct; every field must be given, unknown ones are refused
    def self.define(*fields, defaults: {}, &block)
      required = fields - defaults.keys
      klass = Struct.new(*fields, keyword_init: true) do
        define_method(:initialize) do |**given|
          unless required.all? { |field| given.key?(field) }
            raise ArgumentError, "#{self.class} needs #{(required - given.keys).join(', ')}"
          end

          defaults.empty? ? super(**given) : super(**defaults, **given)
          freeze
        end

        def with(**changes) = self.class.new(**to_h, **changes)
      end
      fields.each { |field| klass.undef_method(:"#{field}=") }
      klass.class_eval(&block) if block
      klass
    end
  end
end
