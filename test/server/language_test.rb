# frozen_string_literal: true

require 'minitest/mock'
require_relative '../server_helper'
require_relative '../../core/test/site_help'
require_relative '../pseudo'
require_relative 'sign_off_help'

# Another language is a file: what the server tells is read in one that marks each letter of the catalogue. What still
# stands there in plain letters is in no catalogue, or was put together past it.
class LanguageTest < Minitest::Test
  include ServerHelp
  include SiteHelp
  include SignOffHelp

  # Names of people, places, aircraft and the school; what somebody wrote; units, versions, files and ids. Ids are words
  # of the client's catalogue.
  DATA = /\.(?:document\b.*|versions\..*|\w*id|\w*unit|type|name|type_name|mark|station|sign_in|time_zone|school|
             address|device|remark|objective|spot_name|csrf_token|public_key|code|hash|previous_hash|by|student|
             instructor|path|at)\z/x
  # A name at the beginning of a sentence, what was drawn and a unit within one, a field as the contract calls it.
  NAMES = %r{\b(?:Testing\ Field|Student|Other|Instructor|Chief|Meadow|Heath|Tansy|Yarrow|Bracken|Sorrel|Auto|
             Q-[A-Z]+|tree|out(?=:|\z)|inHg|min|UTC|hPa|kind|wind|#{Date::MONTHNAMES.compact.join('|')}|bin/\w+|FUJIN_\w+|docs/\S+)\b}x

  # On a sheet: versions of standards, hashes and codes, and what was written.
  SIGNED = %r{\h{64}|(?:\h{4}-){3}\h{4}|straight-in-\d+\.\d+|[\w+/]{40,}=*|Calm and exact\.|hold it}

  def setup
    super
    Pseudo.learn
    Fujin::Text.usual = Pseudo::LANGUAGE
    @left = []
  end

  def teardown
    Fujin::Text.usual = Fujin::Text::ENGLISH
    super
  end

  def read(path)
    get path

    assert_equal 200, status, "#{path}: #{last_response.body[0, 200]}"
    look(path)
  end

  # Ids are lower case and without a space; all else that has a plain word is left.
  def look(where, told = answer)
    @left.concat(Pseudo.plain(told, DATA, NAMES).map { |place, text| "#{where} #{place}: #{text}" })
  end

  def test_plans_and_lessons_of_every_manoeuvre
    as(@chief)
    kinds = { 'helicopter' => @aircraft, 'gyroplane' => Fujin::AircraftRow.create!(mark: 'Q-AUTO', type_id: 'sorrel-g') }
    days = [{ wind_from_deg: 90, wind_kt: 19, gust_kt: 30, oat_c: 33 },
            { wind_from_deg: 170, wind_kt: 12, fuel_kg: 5, stage: 'early' }]
    Fujin::Catalogue.all.each do |manoeuvre|
      manoeuvre.kinds.product(days).each do |kind, day|
        flown = sortie(manoeuvre: manoeuvre.id, aircraft: kinds.fetch(kind), height_ft: nil, fuel_kg: 20, **day)
        same_numbers { post_json("/api/sorties/#{flown.id}/plan") && answer }
        look("plan of #{manoeuvre.id}")
        read "/api/sorties/#{flown.id}"
      end
    end
    nothing_left
  end

  def test_what_a_school_reads
    make_ready
    lesson = sortie(starts_at: Time.utc(2026, 11, 26, 10))
    attempt = imported(lesson, faults: [{ 'late_collective' => 0.8 }]).find(&:asked?)
    as(@instructor)
    sign
    look('sign-off')
    Fujin::Booking.create!(kind: 'dual', student: @other, instructor: @chief, aircraft: @aircraft, by: @chief,
                           from_at: Time.now.utc + 3600, to_at: Time.now.utc + 7200)
    as(@chief)
    of_the_student = %w[/ /lessons /solo /side-by-side?manoeuvre=straight_in_autorotation]
    of_the_lesson = %w[/ /attempts /events /offers /power-card /flight-time]
    of_the_attempt = %w[/strips /pictures /path /one-change]
    ['/api/today', '/api/students', '/api/fleet', '/api/catalogue', '/api/types', '/api/types/tansy-2', '/api/school',
     '/api/me', '/api/session', '/api/agreement', '/api/people', "/api/people/#{@student.id}", '/api/running',
     '/api/audit', '/api/document-kinds', '/api/booking-rules', '/api/places', '/api/standards/waiting',
     "/api/people/#{@student.id}/log", "/api/aircraft/#{@aircraft.id}/power-card", '/api/people/me/house',
     "/api/bookings?from=#{Time.now.utc.to_date}&days=7",
     *of_the_student.map { |part| "/api/students/#{@student.id}#{part.delete_suffix('/')}" },
     *of_the_lesson.map { |part| "/api/sorties/#{lesson.id}#{part.delete_suffix('/')}" },
     *of_the_attempt.map { |part| "/api/attempts/#{attempt.id}#{part}" }].each { |path| read(path) }
    nothing_left
  end

  # With a fault, by a recorder that sees everything and by a poor one.
  def test_what_the_grading_says
    flown = Fujin::Catalogue.all.select { |one| one.pilot && !one.at_site }
    recorders = Fujin::Truth::PoorRecorder::ALL.keys.values_at(0, -1).map { |one| Fujin::Truth::PoorRecorder.new(one) }
    flown.each_with_index do |manoeuvre, i|
      flight = Fujin::Truth::KnownFlight.new(manoeuvre, Random.new(i), faulty: true)
      told = -> do
        flight.as_recorded(recorders[i % 2]).map do |proposal|
          Fujin::Text.told(Fujin::Serialisers.proposal(proposal, Fujin::Aircraft::Library.find('tansy-2')))
        end
      end
      look(manoeuvre.id, i < 4 ? same_numbers(&told) : told.call)
    end
    nothing_left
  end

  def test_a_site_and_a_lesson_to_it
    as(@instructor)
    # Of one in the way out the height is not known.
    trees = [tree(-100, 0, 50), tree(100, 0, nil, id: 'tree-2')]
    drawn = document(ground, spot, approach, departure, answers, *trees)
    post_json('/api/sites', { id: SecureRandom.uuid, document: drawn })
    look('site')
    id = answer['id']
    read "/api/sites/#{id}"
    [{ wind_from_deg: 360, wind_kt: 10 }, { wind_from_deg: 180, wind_kt: 18 }, {}].each do |wind|
      asked = { type_id: 'tansy-2', people: 'dual', at: '2026-06-21T12:00:00Z', **wind }
      same_numbers { post_json("/api/sites/#{id}/report", asked) && answer }

      assert_equal 200, status
      look("day with #{wind}")
    end
    nothing_left
  end

  # What stands on paper and in letters; what is drawn and who it is for are names.
  def test_what_is_printed_and_sent
    make_ready
    as(@instructor)
    signed = sign
    on_paper do
      get "/api/sign-offs/#{signed['id']}/sheet"
      %w[turning_autorotation steep_approach hover].each do |manoeuvre|
        flown = sortie(manoeuvre: manoeuvre, planned_count: 1, objective: 'hold it', wind_from_deg: 90, wind_kt: 19)
        get "/api/sorties/#{flown.id}/brief"

        assert_equal 200, status
      end
      surveyed = site(ground, spot, approach, departure, answers, tree(-100, 0, 50))
      %w[360/10 180/18].each { |wind| Fujin::SiteSheet.new(Prawn::Document.new, report(surveyed, wind), nil).draw }
    end
    @left.concat(Fujin::InvitationLetter.new(@student, 'https://x.example', @school).to_a
      .flat_map(&:lines).grep_v(/example/).flat_map { |line| Pseudo.plain(line, DATA, NAMES).map(&:last) })
    nothing_left
  end

  def test_refusals
    post_json '/api/session', { sign_in: 'nobody', password: 'wrong' }
    look('sign-in')
    get '/api/today'
    look('nobody')
    as(@student)
    get '/api/people'
    look('a student')
    as(@instructor)
    [['/api/bookings', {}], ['/api/sorties', { manoeuvre: 'nothing' }], ['/api/sites', { id: 'x' }],
     ["/api/sorties/#{@sortie.id}/plan", { wind_kt: 900, wind_from_deg: 3 }]].each do |path, body|
      post_json(path, body)

      assert_operator status, :>=, 400, path
      look(path)
    end
    nothing_left
  end

  # The same lesson to two people: what is kept is the school's, what is told is theirs.
  def test_each_is_told_in_their_own_language
    Fujin::Text.usual = Fujin::Text::ENGLISH
    as(@instructor)
    title = ->(headers) { get('/api/catalogue', {}, headers) && answer['manoeuvres'].first['title'] }
    english = title.call({})

    assert_match(/\A[A-Z][a-z]/, english)
    assert_equal Pseudo.marked(english), title.call({ 'HTTP_ACCEPT_LANGUAGE' => 'xx, pseudo;q=0.5' })
    set_cookie "#{Fujin::SpokenLanguage::COOKIE}=pseudo"

    assert_equal Pseudo.marked(english), title.call({})
    get '/api/students'
    set_cookie "#{Fujin::SpokenLanguage::COOKIE}=en"

    assert_equal english, title.call({ 'HTTP_ACCEPT_LANGUAGE' => 'pseudo' })
    refute_includes Fujin::KeptStanding.all.map(&:standings).to_s, Pseudo::MARK
  end

  private

  # Nothing is worked out, found or named otherwise than in English.
  def same_numbers(&)
    set_cookie "#{Fujin::SpokenLanguage::COOKIE}=en"
    english = Fujin::Text.in(Fujin::Text::ENGLISH, &)
    set_cookie "#{Fujin::SpokenLanguage::COOKIE}=#{Pseudo::LANGUAGE}"
    told = yield

    assert_empty Pseudo.apart(english, told)
    told
  end

  def on_paper(&)
    plain = Fujin::PdfWords.method(:plain)
    seen = ->(text) { look('on paper', Fujin::Text.told(text.to_s.gsub(SIGNED, ''))) && plain.call(text) }
    Fujin::PdfWords.stub(:plain, seen, &)
  end

  def nothing_left = assert_empty(@left.uniq, @left.uniq.join("\n"))
end
