# frozen_string_literal: true

module Fujin
  # Looks over a flight's last minutes beside the line that records it, so that no reading waits for it: tells whoever
  # watches which exercise it shows, and each attempt that is over.
  class FlightWatcher
    # What is still being looked at when the line ends is waited for so long.
    FINISH_S = 30.0
    # Measures that are told of an attempt, the farthest out first.
    TOLD = 4
    RANK = { 'out' => 0, 'marginal' => 1, 'in' => 2, 'polished' => 3 }.freeze

    # @param sortie [Sortie], @param recording_id [String]
    def initialize(sortie, recording_id)
      @sortie_id = sortie.id
      @recording_id = recording_id
      lesson = LessonSetting.new(sortie)
      @titles = sortie.exercises.to_h { |exercise| [exercise.id, exercise.declaration.title] }
      @type = sortie.aircraft.type
      @flight = Live::FlightSeen.new(lesson.exercises, lesson.day.open_context)
      @grades = Hash.new { |all, id| all[id] = [] }
      @queue = Thread::Queue.new
      @thread = Thread.new { watch }
    end

    # @param samples [Array<Hash>]
    def take(samples) = @queue << samples

    def close
      @queue.close
      @thread.join(FINISH_S)
    end

    private

    def watch
      while (samples = @queue.pop)
        samples.each { |sample| tell(@flight.take(sample)) }
      end
    rescue StandardError => e
      Fujin.logger.warn("the flight is no longer looked over: #{e.class} #{e.message}")
    ensure
      ActiveRecord::Base.connection_handler.clear_active_connections!
    end

    def tell(seen)
      return unless seen

      publish('exercise' => seen.exercise) if seen.exercise
      seen.over.each { |one| publish('over' => over(one)) }
    end

    def publish(message) = LiveFeed.publish(@sortie_id, message.merge('recording' => @recording_id))

    # What is said between two attempts; no more than a glance takes.
    def over(one)
      proposal = one.proposal
      @grades[one.exercise.id] << proposal.overall
      given = @grades[one.exercise.id].compact
      { 'exercise' => one.exercise.id, 'title' => @titles[one.exercise.id], 'grade' => proposal.overall,
        'critical' => proposal.critical?, 'fault' => fault(proposal), 'measures' => measures(proposal),
        'attempts' => @grades[one.exercise.id].size, 'best' => given.max, 'worst' => given.min }
    end

    def fault(proposal)
      found = proposal.first_fault or return nil
      words = Catalogue.find(proposal.attempt.manoeuvre).words(found.id, @type)
      { 'title' => words.title, 'cue' => words.cue }
    end

    def measures(proposal)
      judged = proposal.measures.select { |_, measure| RANK.key?(measure.verdict) && !measure.value.nil? }
      judged.min_by(TOLD) { |_, measure| RANK.fetch(measure.verdict) }.map do |id, measure|
        entry = Glossary.measure(id, proposal.attempt.manoeuvre)
        { 'label' => entry.short || entry.label, 'figure' => Glossary.figure(measure.value, measure.unit, entry.digits),
          'verdict' => measure.verdict }
      end
    end
  end
end
