# frozen_string_literal: true

module Fujin
  module Commands
    # `check FILE`: is this a good type file (.yml), or a readable recording (anything else)?
    class Check < Command
      def run
        file = @options.rest.first or raise CommandLine::Usage, 'check needs a file'
        result = file.match?(/\.ya?ml\z/i) ? check_type(file) : check_recording(file)
        @options.json? ? @out.puts(JSON.pretty_generate(result)) : print_result(result)
        result['problems'].empty? ? 0 : 1
      end

      private

      def check_type(file)
        type = Aircraft::Type.load_file(file)
        { 'file' => file, 'kind' => 'aircraft type', 'id' => type.id, 'problems' => [] }
      rescue InvalidInput => e
        {
          'file' => file,
          'kind' => 'aircraft type',
          'problems' => e.problems.map { |p| { 'path' => p[:path], 'message' => p[:message] } }
        }
      end

      def check_recording(file)
        recording = Recordings.read(File.binread(file), name: File.basename(file))
        { 'file' => file, 'kind' => 'recording', 'rows' => recording.size, 'rate_hz' => recording.rate_hz.round(2),
          'channels' => recording.channels.keys, 'notes' => recording.notes, 'problems' => [] }
      rescue UnreadableRecording => e
        {
          'file' => file,
          'kind' => 'recording',
          'problems' => [{ 'path' => e.line ? "line #{e.line}" : '(file)', 'message' => e.message }]
        }
      end

      def print_result(result)
        @out.puts "#{result['file']}: #{result['problems'].empty? ? 'good' : 'not usable'} #{result['kind']}"
        @out.puts(result['problems'].map { |p| "  #{p['path']}: #{p['message']}" })
        if result['rows']
          @out.puts "  #{result['rows']} rows at #{result['rate_hz']} Hz: #{result['channels'].join(', ')}"
        end
        @out.puts((result['notes'] || []).map { |note| "  note: #{note}" })
      end
    end
  end
end
