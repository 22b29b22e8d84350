# frozen_string_literal: true

require 'digest'
require 'stringio'
require 'zlib'

module Fujin
  module Recordings
    # Files that come compressed with gzip.
    module Packed
      MAGIC = "\x1F\x8B".b
      MOST_BYTES = 120 * 1024 * 1024
      CHUNK = 1 << 20

      module_function

      # @return [String] the bytes as they were before they were packed
      # @raise [UnreadableRecording] when they are no whole gzip, or far too many
      def unpack(bytes, name)
        return bytes unless packed?(bytes)

        String.new(encoding: Encoding::BINARY).tap { |out| each_part(bytes, name) { |part| out << part } }
      end

      # Of the bytes before they were packed, without holding them.
      # @return [String] SHA-256, hexadecimal
      # @raise [UnreadableRecording] as #unpack
      def digest(bytes, name)
        sum = Digest::SHA256.new
        return sum.update(bytes).hexdigest unless packed?(bytes)

        each_part(bytes, name) { |part| sum << part }
        sum.hexdigest
      end

      def packed?(bytes) = bytes.byteslice(0, 2).to_s.b == MAGIC

      # Counted as it goes.
      def each_part(bytes, name)
        reader = Zlib::GzipReader.new(StringIO.new(bytes))
        size = 0
        while (part = reader.read(CHUNK))
          size += part.bytesize
          if size > MOST_BYTES
            raise UnreadableRecording, Text.of('%{name} unpacks to more than %{most_bytes} MB. Split the file.',
                                               name: name, most_bytes: MOST_BYTES / CHUNK)
          end

          yield part
        end
      rescue Zlib::Error
        raise UnreadableRecording,
              Text.of('%{name} is a gzip file that is cut short or damaged. Copy it from the recorder again. Nothing ' \
                'was changed.',
                      name: name)
      end
    end
  end
end
