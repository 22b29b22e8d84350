# frozen_string_literal: true

module Fujin
  # Looks over a flight's last minutes beside the line that records it, so that no reading waits for it: tells whoever
  # watches which exercise it shows, each attempt that is over, what the one that goes on has come to, and the wind that
  # the drift shows; tells the monitor which phase is flown.
  class FlightWatcher
    # What is still being looked at when the line ends is waited for so long.
    FINISH_S = 30.0
    # Measures that are told of an attempt, the farthest out first.
    TOLD = 4

    # The wind is told so often, from so much of the flight.
    WIND_EVERY_S = 10.0
    WIND_OVER_S = 120.0

    # @param sortie [Sortie], @param recording_id [String], @param monitor [Live::Monitor]
    # @param lesson [LessonSetting] of the sortie
    def initialize(sortie, recording_id, monitor, lesson)
      @sortie_id = sortie.id
      @recording_id = recording_id
      @monitor = monitor
      @titles = sortie.exercises.to_h { |exercise| [exercise.id, exercise.declaration.title] }
      @type = sortie.aircraft.type
      look_at(lesson)
      @grades = Hash.new { |all, id| all[id] = [] }
      @queue = Thread::Queue.new
      @thread = Thread.new { watch }
    end

    # @param samples [Array<Hash>]
    def take(samples) = @queue << samples

    # Which exercise was tapped. @param id [String]
    def mean(id) = @meant = id

    def close
      @queue.close
      @thread.join(FINISH_S)
    end

    private

    def look_at(lesson)
      open = lesson.day.open_context
      @window = Live::FlightWindow.new(open, lesson.exercises)
      @flight = Live::FlightSeen.new(lesson.exercises, open, @window)
      @underway = Live::UnderwaySeen.new(lesson.exercises, open, @window)
    end

    def watch
      while (samples = @queue.pop)
        samples.each do |sample|
          @window.take(sample)
          carefully { tell(@flight.look(@meant)) }
        end
        # Behind, only what is over is looked for.
        carefully { look_now } if @queue.empty?
      end
    ensure
      ActiveRecord::Base.connection_handler.clear_active_connections!
    end

    # A stretch that a finder cannot read is not shown; the flight goes on, and so does the next look.
    def carefully
      yield
    rescue StandardError => e
      @monitor.follow(nil)
      told = "#{e.class} #{e.message}"
      Fujin.logger.warn("this part of the flight was not looked over: #{told}") unless told == @warned
      @warned = told
    end

    def look_now
      tell_wind
      return unless @underway.due?

      watched = @underway.look(@meant)
      @monitor.follow(watched)
      told = watched ? watched.so_far.map { |measure| line(measure, watched.exercise.manoeuvre) } : []
      publish('so_far' => told) unless told == @told
      @told = told
    end

    def tell_wind
      now = @window.last_s
      @wind_s ||= now
      return if now.nil? || (now - @wind_s).abs < WIND_EVERY_S

      @wind_s = now
      signals = @window.signals(over_s: WIND_OVER_S, step_s: 0.5, wind: nil)
      publish('wind' => signals.wind.text) if signals&.wind_source == :drift
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
      Grading::Measure.farthest_out(proposal.measures.values, TOLD)
        .map { |measure| line(measure, proposal.attempt.manoeuvre) }
    end

    def line(measure, manoeuvre)
      entry = Glossary.measure(measure.id, manoeuvre)
      { 'label' => entry.short || entry.label, 'figure' => Glossary.figure(measure.value, measure.unit, entry.digits),
        'verdict' => measure.verdict }
    end
  end
end
