# frozen_string_literal: true

module Fujin
  # Kind and boundaries of an attempt as an instructor sets them: an attempt cut anew, or one added that was not found.
  class RecutAttempt
    # @param sortie [Sortie], @param recording [RecordingRow]
    def initialize(sortie, recording, by:)
      @sortie = sortie
      @setting = SortieSetting.new(sortie)
      @recording = recording
      @by = by
    end

    # @param phases [Array<Hash>, nil] nil keeps those that both kinds have
    # @return [AttemptRow] with its measures taken again; grades that were given stay
    def change(attempt, manoeuvre, phases = nil)
      phases ||= Grading::Cuts.kept(cuts(attempt), Catalogue.find(manoeuvre).phases)
      events = attempt.manoeuvre == manoeuvre ? attempt.proposal['events'].transform_keys(&:to_sym) : {}
      own = exercise(attempt.exercise_id)
      own = exercise_for(manoeuvre) unless own&.manoeuvre == manoeuvre
      write(attempt, manoeuvre, phases, own, events)
    end

    # An attempt at another exercise than was taken, or at none: measured on that exercise's plan, as its manoeuvre.
    # @param exercise [Exercise, nil]
    # @return [AttemptRow]
    def give(attempt, exercise)
      manoeuvre = exercise ? exercise.manoeuvre : attempt.manoeuvre
      same = attempt.manoeuvre == manoeuvre
      flown_as(attempt, exercise)
      phases = same ? cuts(attempt) : Grading::Cuts.kept(cuts(attempt), Catalogue.find(manoeuvre).phases)
      write(attempt, manoeuvre, phases, exercise, same ? attempt.proposal['events'].transform_keys(&:to_sym) : {})
    end

    # Within the same boundaries, after the exercise's place or plan was changed.
    # @return [AttemptRow]
    def measured(attempt)
      stored = attempt.proposal
      phases = stored['phases'].map { |phase| phase.slice('id', 'start_s', 'end_s', 'estimated') }
      again = fields(attempt.manoeuvre, phases, exercise(attempt.exercise_id), attempt,
                     events: stored['events'].transform_keys(&:to_sym), result: stored['result'].to_sym,
                     estimated: stored['estimated'])
      again[:proposal] = again[:proposal].except('cut_by').merge(stored.slice('cut_by'))
      attempt.update!(again)
      attempt
    end

    # As this recut knows the lesson, whatever becomes of it meanwhile.
    # @param id [String, nil]
    # @return [Exercise, nil]
    def exercise(id) = id && @sortie.exercise(id)

    # Where it ended: at contact, where it hovered, or at its last moment.
    # @return [Array(Float, Float), nil] latitude and longitude, nil where no place was recorded
    def ended_at(attempt)
      events = attempt.proposal['events']
      hovers = cuts(attempt).find { |phase| phase['id'] == 'recovery' }&.fetch('end_s')
      at = events['contact_s'] || events['stopped_s'] || hovers || attempt.end_s
      return nil unless signals.signal?(:lat) && signals.signal?(:lon)

      place = [signals.at(:lat, at), signals.at(:lon, at)]
      place unless place.any?(&:nan?)
    end

    # What an attempt is measured from, where it is not its exercise's spot.
    # @param from [String] exercise, last_landing (where the attempt before it ended) or here (where it ended itself)
    # @return [AttemptRow]
    # @raise [Conflict] where no such place was recorded
    def measure_from(attempt, from)
      name, place = own_spot(attempt, from)
      attempt.assign_attributes(spot_name: name, spot_lat_deg: place&.first, spot_lon_deg: place&.last)
      measured(attempt)
    end

    # @return [AttemptRow] the one with this id, made once
    def add(id, manoeuvre, start_s)
      finish = [start_s + Grading::Cuts::NEW_S, signals.end_s].min
      made(id, manoeuvre, Grading::Cuts.spread(Catalogue.find(manoeuvre).phases, start_s, finish))
    end

    # @return [AttemptRow] what came after the moment, made once
    def split(attempt, id, at_s)
      known = AttemptRow.find_by(id: id, recording: @recording)
      return known if known

      before, after = Grading::Cuts.split(cuts(attempt), at_s)
      AttemptRow.transaction do
        change(attempt, attempt.manoeuvre, before)
        made(id, attempt.manoeuvre, after)
      end
    end

    # @param later [AttemptRow] of the same recording and kind
    # @return [AttemptRow] the first, which goes on to the end of the later one
    def join(attempt, later)
      unless later.recording_id == attempt.recording_id && later.manoeuvre == attempt.manoeuvre &&
          later.start_s > attempt.start_s
        raise InvalidInput,
              [{ path: 'with', message: 'expected a later attempt of the same kind in the same recording' }]
      end

      AttemptRow.transaction do
        change(attempt, attempt.manoeuvre, Grading::Cuts.join(cuts(attempt), cuts(later)))
        later.update!(counts: false, void_reason: 'joined with the attempt before it')
      end
      attempt
    end

    private

    # As the exercise has it, where nobody said otherwise of this attempt.
    def flown_as(attempt, exercise)
      was = attempt.exercise || Exercise.new
      now = exercise || Exercise.new
      attempt.manner = now.manner if attempt.manner == was.manner
      attempt.task = now.task if attempt.task == was.task
    end

    def own_spot(attempt, from)
      return if from == 'exercise'

      other = from == 'here' ? attempt : before(attempt)
      raise Conflict, 'No attempt of the lesson was flown before this one in the recording.' unless other

      place = ended_at(other) or raise Conflict, 'This recording has no positions: the spot stays where it was.'
      [Text.of('Where attempt %{position} ended', position: other.position + 1), place]
    end

    def before(attempt) =
      @recording.attempts.where.not(exercise_id: nil).where(start_s: ...attempt.start_s).order(:start_s).last

    def cuts(attempt) = attempt.proposal['phases'].map { |phase| phase.slice('id', 'start_s', 'end_s') }

    def made(id, manoeuvre, phases)
      AttemptRow.find_by(id: id) ||
        AttemptRow.create!(
          id: id,
          sortie: @sortie,
          recording: @recording,
          position: @recording.attempts.maximum(:position).to_i + 1,
          **fields(manoeuvre, phases, exercise_for(manoeuvre))
        )
    end

    def write(attempt, manoeuvre, phases, exercise, events)
      result = attempt.proposal['result'].to_sym
      attempt.update!(fields(manoeuvre, phases, exercise, attempt, events: events, result: result))
      attempt
    end

    # The lesson's first exercise of this kind.
    def exercise_for(manoeuvre) = @sortie.exercises.find { |exercise| exercise.manoeuvre == manoeuvre }

    # Worked out once for all the attempts of an exercise that are measured from the same spot.
    def context(exercise, attempt)
      spot = attempt ? attempt.fields('spot_lat_deg', 'spot_lon_deg').compact : {}
      @contexts ||= {}
      @contexts[[exercise&.id, spot]] ||= begin
        setting = SortieSetting.new(@sortie, spot, exercise)
        exercise ? setting.grading_context : setting.open_context
      end
    end

    def signals = @signals ||= StoredSignals.of(@recording, @setting)

    def fields(manoeuvre, phases, exercise, attempt = nil, **known)
      context = context(exercise, attempt)
      proposal = Grading::Recut.new(signals, context).propose(manoeuvre, phases, **known)
      {
        manoeuvre: manoeuvre,
        exercise: exercise,
        plan_version: exercise&.plan_version || 0,
        start_s: proposal.attempt.start_s,
        end_s: proposal.attempt.end_s,
        proposal: Serialisers.proposal(proposal, @setting.type).merge('cut_by' => @by.name),
        path: FlownPath.new(signals, proposal, context.spot).points
      }
    end
  end
end
