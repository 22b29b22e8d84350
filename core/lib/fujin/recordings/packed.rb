# frozen_string_literal: true

require 'stringio'
require 'zlib'

module Fujin
  module Recordings
    # Files that come compressed with gzip.
    module Packed
      MAGIC = "\x1F\x8B".b
      MOST_BYTES = 256 * 1024 * 1024
      CHUNK = 1 << 20

      module_function

      # @return [String] the bytes as they were before they were packed
      # @raise [UnreadableRecording] when they are no whole gzip, or far too many
      def unpack(bytes, name)
        return bytes unless bytes.byteslice(0, 2).to_s.b == MAGIC

        reader = Zlib::GzipReader.new(StringIO.new(bytes))
        out = +''.b
        while (part = reader.read(CHUNK))
          out << part
          if out.bytesize > MOST_BYTES
            raise UnreadableRecording, "#{name} unpacks to more than #{MOST_BYTES / CHUNK} MB. Split the file."
          end
        end
        out
      rescue Zlib::Error
        raise UnreadableRecording,
              "#{name} is a gzip file that is cut short or damaged. Copy it from the recorder again. Nothing was " \
                'changed.'
      end
    end
  end
end
