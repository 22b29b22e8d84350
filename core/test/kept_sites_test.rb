# frozen_string_literal: true

require_relative 'test_helper'
require_relative 'kept_site'

# What is worked out of the sample sites, each on three days: room, lines in and out with their break-off points and
# escapes, reconnaissance, slope, verdicts, what makes it lapse, cautions, what is proposed.
class KeptSitesTest < Minitest::Test
  include KeptSite

  FOLDER = File.expand_path('../../db/demo/sites', __dir__)
  DAYS = {
    'a breeze' => { type: 'tansy-2', wind: '350/10' },
    'across, gusty and hot' => { type: 'bracken-2', wind: '100/14G22', oat_c: 27.0 },
    'strong, alone in the larger one' => { type: 'yarrow-4', wind: '230/22', people: 'solo' }
  }.freeze

  Dir[File.join(FOLDER, '*.geojson')].each do |path|
    name = File.basename(path, '.geojson')
    define_method("test_#{name.tr('-', '_')}_is_as_it_was") do
      site = Fujin::Sites::SiteFile.read(JSON.parse(File.read(path)))
      found = DAYS.to_h { |day, given| [day, answers(site, **given)] }

      assert_empty Kept.differences("site_#{name}", found)
    end
  end

  private

  def answers(site, type:, wind:, people: 'dual', **more)
    day = Fujin::Manoeuvres::Confined::Day.of(
      site, type(type), Fujin::Planning::HouseMethod.new, wind: Fujin::Wind.parse(wind), people: people,
                                                          at: Time.utc(2026, 11, 28, 12), stage: 'solo', **more
    )
    told_of(day)
  end
end
