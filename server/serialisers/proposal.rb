# frozen_string_literal: true

module Fujin
  module Serialisers
    module_function

    # @param proposal [Grading::Proposal], @param type [Aircraft::Type] for the cues' sides and pedals
    # @return [Hash] one attempt of `grade --json` (docs/reference/file-formats.md) and of the API's Attempt
    def proposal(proposal, type)
      attempt = proposal.attempt
      manoeuvre = Catalogue.find(attempt.manoeuvre)
      {
        'manoeuvre' => attempt.manoeuvre,
        'start_s' => number(attempt.start_s, 2),
        'end_s' => number(attempt.end_s, 2),
        'result' => attempt.result.to_s,
        'estimated' => attempt.estimated,
        'overall' => proposal.overall,
        'critical' => proposal.critical?,
        'standard_version' => proposal.standard_version,
        'course_deg' => number(proposal.course_deg, 1),
        'phases' => attempt.phases.map do |phase|
          phase(phase, proposal.grade_of(phase.id), proposal.starts_s[phase.id])
        end,
        'events' => events(attempt, proposal.gate_s),
        'measures' => proposal.measures.to_h { |id, m| [id, measure(m).merge(measure_words(id, attempt.manoeuvre))] },
        'faults' => proposal.faults.map(&:id),
        'first_fault' => proposal.first_fault&.id,
        'fault_details' => proposal.faults.map { |fault| fault(fault, manoeuvre, type) }
      }
    end

    def phase(phase, grade, start_uncertainty_s)
      {
        'id' => phase.id,
        'start_s' => number(phase.start_s, 2),
        'end_s' => number(phase.end_s, 2),
        'start_uncertainty_s' => number(start_uncertainty_s, 2),
        'estimated' => phase.estimated,
        'grade' => grade&.grade,
        'driver' => grade&.driver,
        'critical' => grade&.critical || false
      }
    end

    def events(attempt, gate_s)
      attempt
        .events
        .select { |_, v| v.is_a?(Float) }
        .merge(gate_s: gate_s)
        .compact
        .to_h { |k, v| [k.to_s, number(v, 2)] }
    end

    def measure(measure)
      found = {
        'value' => number(measure.value),
        'unit' => measure.unit,
        'verdict' => measure.verdict,
        'phase' => measure.phase,
        'low' => number(measure.low),
        'high' => number(measure.high),
        'uncertainty' => number(measure.uncertainty),
        'source' => measure.source.map(&:to_s),
        'estimated' => measure.estimated,
        'critical' => measure.critical,
        'too_close' => measure.too_close
      }
      found.merge!(band(measure.band)) if measure.band
      found['reason'] = measure.reason if measure.reason
      found
    end

    # What it is held to.
    def band(band) =
      { 'target' => number(band.target), 'band_low' => number(band.in[0]), 'band_high' => number(band.in[1]) }

    # What a person reads of a measure, besides its value.
    def measure_words(id, manoeuvre)
      entry = Glossary.measure(id, manoeuvre)
      { 'label' => entry.label, 'short' => entry.short, 'digits' => entry.digits, 'definition' => entry.definition }
    end

    def fault(fault, manoeuvre, type)
      words = manoeuvre.words(fault.id, type)
      {
        'id' => fault.id,
        'title' => words.title,
        'evidence' => fault.evidence,
        'from_s' => number(fault.from_s, 2),
        'to_s' => number(fault.to_s, 2),
        'measures' => fault.measures,
        'cause' => words.cause,
        'cue' => words.cue
      }
    end

    # @param signals [Recordings::Signals]
    def recording(signals)
      recording = signals.recording
      {
        'name' => recording.name,
        'rows' => recording.size,
        'start_s' => number(recording.times.first, 3),
        'end_s' => number(recording.times.last, 3),
        'rate_hz' => number(recording.rate_hz, 2),
        'channels' => recording.channels.keys,
        'ignored_columns' => recording.ignored_columns,
        'notes' => recording.notes,
        'bridged' => recording.bridged.map { |a, b| [number(a, 2), number(b, 2)] },
        'wind' => signals.wind&.to_s,
        'wind_source' => signals.wind_source&.to_s,
        'agl_zero_ft' => number(signals.agl_zero_ft, 2)
      }
    end
  end
end
