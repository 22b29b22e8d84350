# frozen_string_literal: true

module Fujin
  # Recordings of flights: readers, channels, what is missing.
  module Recordings
    module_function

    # The headings of a CSV file, nil where there is none.
    # @return [Array<String>, nil]
    def titles(bytes, name: 'recording')
      bytes = Packed.unpack(bytes, name)
      wide = CsvReader::WIDE.key?(bytes.byteslice(0, 2).to_s.b)
      CsvReader.titles(wide ? bytes : bytes.byteslice(0, 65_536).to_s.b[/\A[^\r\n]*/n].to_s)
    rescue UnreadableRecording
      nil
    end

    # Reads bytes in whichever of the known formats they are in, packed or not.
    # @param headings [Headings, nil] what a device's own headings mean, for a CSV file
    # @return [Recording]
    # @raise [UnreadableRecording], [UnknownHeadings] when a CSV file's headings need explaining first
    def read(bytes, name: 'recording', headings: nil, &progress)
      bytes = Packed.unpack(bytes, name)
      recording = case bytes.byteslice(0, 400).to_s.b.delete_prefix("\xEF\xBB\xBF".b).lstrip
                  when /\A[$!]/n then NmeaReader.read(bytes, name: name, &progress)
                  when /\A<(\?xml|gpx|!--)/n then GpxReader.read(bytes, name: name, &progress)
                  when /\A(A[A-Z0-9]{3}|HF|H[FOP]DTE)[^,;\t]*[\r\n]/n then IgcReader.read(bytes, name: name, &progress)
                  else CsvReader.read(bytes, name: name, headings: headings, &progress)
                  end
      Plausibility.checked(recording)
    end
  end
end
