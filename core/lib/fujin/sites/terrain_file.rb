# frozen_string_literal: true

module Fujin
  module Sites
    # Reads heights of the ground from an ASCII grid: a head of names and numbers (ncols, nrows, xllcorner or xllcenter,
    # yllcorner or yllcenter, cellsize, nodata_value), then the rows from north to south. Longitude and latitude in
    # degrees (WGS 84), heights in metres above the sea.
    class TerrainFile
      HEAD = %w[ncols nrows xllcorner xllcenter yllcorner yllcenter cellsize nodata_value].freeze
      NEEDED = %w[ncols nrows cellsize].freeze
      # Cells across and along, at most.
      MOST = 4000
      # A coarser grid says nothing of a landing site, degrees: some 1,000 m.
      COARSEST_DEG = 0.01
      HEIGHTS_M = (-500.0..9000.0)

      # @param text [String]
      # @return [Terrain]
      # @raise [InvalidInput] naming the line
      def self.read(text) = new(text).terrain

      def initialize(text)
        @lines = text.to_s.dup.force_encoding(Encoding::UTF_8).scrub.lines
      end

      def terrain
        head
        west, south = %w[x y].map { |axis| corner(axis) }
        Terrain.new(west_deg: west, south_deg: south, cell_deg: @head['cellsize'], rows: rows)
      end

      private

      def refuse(line, message)
        raise InvalidInput, [{ path: line ? Text.of('line %{line}', line: line) : '(file)', message: message }]
      end

      def head
        @head = {}
        @lines.each_with_index do |text, i|
          name, value, more = text.split
          break unless name&.match?(/\A[a-z]/i)

          word = name.downcase
          # After a whole head it is a row of heights with something wrong in it.
          break if (NEEDED - @head.keys).empty? && !HEAD.include?(word)

          unless HEAD.include?(word)
            refuse(i + 1, Text.of('%{name} is not one of %{head}', name: name, head: HEAD.join(', ')))
          end
          number = Float(value, exception: false)
          if number.nil? || more
            refuse(i + 1, Text.of('%{name}: expected one number, got %{value}', name: name, value: value.inspect))
          end
          @head[word] = number
        end
        missing = NEEDED - @head.keys
        unless missing.empty?
          refuse(nil, Text.of('expected an ASCII grid: its head has no %{missing}. Other formats are not read',
                              missing: missing.join(', ')))
        end
        sizes
      end

      def sizes
        @columns, @count = %w[ncols nrows].map do |name|
          number = @head[name]
          next number.to_i if number == number.floor && number.between?(2, MOST)

          refuse(nil, Text.of('%{name}: expected a whole number from 2 to %{most}, got %{number}',
                              name: name, most: MOST, number: number))
        end
        size = @head['cellsize']
        return if size.positive? && size <= COARSEST_DEG

        refuse(nil, Text.of('cellsize: expected degrees, more than 0 and at most %{coarsest_deg}, got %{size}. A ' \
          'grid in metres has to be written anew in longitude and latitude (WGS 84)',
                            coarsest_deg: COARSEST_DEG, size: size))
      end

      def corner(axis)
        most = axis == 'x' ? 180.0 : 90.0
        edge, middle = @head.values_at("#{axis}llcorner", "#{axis}llcenter")
        unless edge || middle
          refuse(nil, Text.of('expected %{axis}llcorner or %{axis}llcenter in the head', axis: axis))
        end
        found = edge || (middle - (@head['cellsize'] / 2.0))
        return found if found.between?(-most, most)

        refuse(nil, Text.of('%{axis}llcorner: expected degrees from %{low} to %{high}, got %{found}',
                            axis: axis, low: -most.round, high: most.round, found: found))
      end

      def rows
        body = @lines.drop(@head.size).reject { |text| text.strip.empty? }
        unless body.size == @count
          refuse(nil, Text.of('expected %{number} rows of heights after the head, got %{body}',
                              number: @count, body: body.size))
        end

        body.each_with_index.map { |text, i| row(text, @head.size + i + 1) }
      end

      def row(text, line)
        cells = text.split
        unless cells.size == @columns
          refuse(line, Text.of('expected %{columns} heights, got %{cells}', columns: @columns, cells: cells.size))
        end
        cells.map { |cell| height(cell, line) }
      end

      def height(cell, line)
        metres = Float(cell, exception: false)
        refuse(line, Text.of('expected a height in metres, got %{cell}', cell: cell[0, 20].inspect)) if metres.nil?
        return nil if metres == @head['nodata_value']
        return metres if HEIGHTS_M.cover?(metres)

        refuse(line, Text.of('expected a height from %{low} to %{high} m, got %{cell}',
                             low: HEIGHTS_M.begin.round, high: HEIGHTS_M.end.round, cell: cell))
      end
    end
  end
end
