# frozen_string_literal: true

# `low` and `high` of a measure were the band that it was held to; they are 5 and 95 % of what its recording leaves open
# now, and the band has names of its own. `power_on_s` counts from levelling.
class RangesOfMeasures < ActiveRecord::Migration[7.2]
  def up
    each_proposal { |proposal| power_on(rewritten(proposal) { |measure| ranged(measure) }, -1) }
  end

  def down
    each_proposal { |proposal| rewritten(power_on(proposal, 1)) { |measure| banded(measure) } }
  end

  private

  def ranged(measure)
    off = measure['uncertainty']
    range = measure['value'] && off ? [measure['value'] - off, measure['value'] + off] : [nil, nil]
    measure.merge('band_low' => measure['low'], 'band_high' => measure['high'], 'low' => range[0], 'high' => range[1])
  end

  def banded(measure) =
    measure.except('band_low', 'band_high').merge('low' => measure['band_low'], 'high' => measure['band_high'])

  def rewritten(proposal, &) =
    proposal.merge('measures' => proposal.fetch('measures', {}).transform_values(&))

  def power_on(proposal, sign)
    level = proposal.dig('events', 'level_s')
    measure = proposal.dig('measures', 'power_on_s')
    return proposal unless level && measure && measure['value']

    moved = %w[value low high].to_h { |key| [key, measure[key] && (measure[key] + (sign * level)).round(3)] }
    proposal.merge('measures' => proposal['measures'].merge('power_on_s' => measure.merge(moved)))
  end

  # In turn, so that a school with many does not hold all of them at once.
  def each_proposal
    ids = select_values('SELECT id FROM attempts')
    ids.each do |id|
      proposal = JSON.parse(select_value("SELECT proposal FROM attempts WHERE id = #{connection.quote(id)}"))
      execute("UPDATE attempts SET proposal = #{connection.quote(JSON.generate(yield(proposal)))} " \
        "WHERE id = #{connection.quote(id)}")
    end
  end
end
