# frozen_string_literal: true

module Fujin
  module Commands
    # `grade FILE…`: finds, measures and grades every attempt in each recording.
    class Grade < Command
      def run
        files = @options.rest
        raise CommandLine::Usage, 'grade needs at least one recording' if files.empty?

        context = self.context
        results = files.map { |file| grade(file, context, several: files.size > 1) }
        if @options.json?
          @out.puts(JSON.pretty_generate(files.size == 1 ? results.first : results))
        else
          results.each { |result| print_result(result) }
        end
        results.any? { |result| result.key?('error') } ? 1 : 0
      end

      private

      def context
        Lessons.context(
          conditions: @options.conditions,
          house: @options.house,
          standards: @options.standards,
          stage: @options[:stage] || 'solo',
          spot: @options.spot,
          course_deg: @options[:course],
          wind: @options.wind,
          gate_height_ft: @options[:gate_ft],
          elevation_ft: @options[:elevation_ft],
          **exercise
        )
      end

      # What the flight was for, where it is said: the figure, angle or turns that `plan` would plan with the same
      # flags.
      def exercise
        return {} unless @options[:exercise]

        manoeuvre = Catalogue.find(@options[:exercise])
        { exercise: manoeuvre.id, settings: @options.settings_for(manoeuvre, @err), height_ft: @options[:height_ft] }
      end

      # One bad file of several becomes an entry; one alone is an error.
      def grade(file, context, several:)
        recording = Recordings.read(File.binread(file), name: File.basename(file), headings: @options.headings)
        signals = Recordings::Signals.new(recording, type: context.type, atmosphere: context.conditions.atmosphere,
                                                     elevation_ft: @options[:elevation_ft], wind: @options.wind)
        proposals = Grading::Grader.new(signals, context).proposals
        {
          'recording' => Serialisers.recording(signals),
          'attempts' => proposals.map do |proposal|
            Serialisers.proposal(proposal, context.type).merge(one_change(proposal, signals, context))
          end
        }
      rescue UnreadableRecording, SystemCallError => e
        raise unless several

        { 'file' => file, 'error' => CommandLine.words(e) }
      end

      # With `--one-change`: what it would have been without the first fault, where one is named.
      def one_change(proposal, signals, context)
        return {} unless @options[:one_change] && proposal.first_fault

        answer = Grading::OneChange.new(signals, proposal, context, proposal.first_fault.id).answer
        flown = proposal.measures.transform_values(&:value)
        { 'one_change' => Serialisers.one_change(answer, Catalogue.find(proposal.attempt.manoeuvre), flown) }
      end

      def print_result(result)
        return @out.puts("#{result['file']}: #{result['error']}") if result.key?('error')

        recording = result['recording']
        @out.puts "#{recording['name']}: #{recording['rows']} rows, #{result['attempts'].size} attempts"
        recording['notes'].each { |note| @out.puts "  note: #{note}" }
        result['attempts'].each { |attempt| print_attempt(attempt) }
      end

      def grade_words(grade) = grade ? "#{grade} #{Grading::Grader::GRADE_WORDS[grade]}" : 'no proposal'

      def print_attempt(attempt)
        @out.puts '', "#{attempt['manoeuvre']}  #{attempt['start_s']} to #{attempt['end_s']} s  #{attempt['result']}"
        @out.puts(
          attempt['phases'].map do |phase|
            "  #{phase['id']}: " \
              "#{grade_words(phase['grade'])} (" \
              "#{phase['driver'] || '—'})"
          end
        )
        rows =
          attempt['measures'].map do |id, m|
            ["  #{id}", m['value'] || '—', m['unit'], m['verdict'] || 'shown', m['reason'].to_s]
          end
        @out.puts Tables.lines(rows)
        attempt['fault_details'].each { |fault| @out.puts "  #{fault['title']}: #{fault['evidence']}. #{fault['cue']}" }
        print_change(attempt['one_change']) if attempt['one_change']
      end

      def print_change(change)
        return @out.puts("  One change: nothing is claimed, #{change['reason']}") unless change['claimed']

        @out.puts "  One change: #{change['change']}"
        return @out.puts('    no number of it is sure enough to be told') if change['numbers'].empty?

        @out.puts(Tables.lines(change['numbers'].map do |row|
          ["    #{row['label']}", row['flown'] || '—', 'flown,', row['mended'], "#{row['unit']} with it"]
        end))
      end
    end
  end
end
