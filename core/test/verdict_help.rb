# frozen_string_literal: true

require_relative 'site_help'

# Verdicts of a made-up meadow, and why.
module VerdictHelp
  include SiteHelp

  FIELD = [[-3000, -3000], [3000, -3000], [3000, 3000], [-3000, 3000]].freeze

  # A meadow that is fit for everything: all answered, room, land all round, a light type with power to spare.
  def good(*features, ground: self.ground, survey: answers, **spot_fields)
    site(ground, spot(**spot_fields), approach, departure, survey, *features,
         feature('landable', 'Polygon', ring(*FIELD), id: 'field'))
  end

  def verdicts(found, wind = '360/10', **rest)
    hottest = rest.key?(:hottest) ? rest.delete(:hottest) : 20.0
    today = day(found, wind, people: 'solo', **rest)
    Fujin::Manoeuvres::Confined::Report.new(today, hottest_margin_pct: hottest).verdicts
  end

  # Every reason that is given can be said.
  def because(answer)
    answer.because.each { |one| assert_match(/[a-z]/, one.clause) }
    answer.because.map { |one| [one.id, one.number] }
  end
end
