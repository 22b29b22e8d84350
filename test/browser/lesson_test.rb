# frozen_string_literal: true

require_relative '../server_helper'
require_relative '../browser_helper'

# A lesson of several exercises from plan to record, as its instructor goes through it.
class LessonJourneyTest < Minitest::Test
  include ServerHelp
  include BrowserHelp

  def test_exercises_are_added_by_two_keys_and_flown_with_one_tap
    sortie(starts_at: Time.utc(2026, 11, 20, 10), manoeuvre: 'hovering_autorotation', next_focus: 'One cue')
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text 'The one thing: One cue'
    assert_selector 'section[aria-label="Exercises"] li', count: 1
    find('body').send_keys('e')
    assert_text 'As on 20 November'
    offer = all('[aria-label="What to add"] button').index { |button| button.text.include?('As on 20') } + 1
    find('body').send_keys(offer.to_s)
    assert_selector 'section[aria-label="Exercises"] button[aria-current]', text: 'Hovering autorotation'
    assert_text 'Time to contact'
    assert_accessible('a lesson of two exercises')
    find('section[aria-label="Exercises"] button[aria-current]').send_keys(%i[alt left])
    eventually { @sortie.reload.exercises.map(&:manoeuvre).first == 'hovering_autorotation' }

    visit "/sorties/#{@sortie.id}/fly"
    click_on 'More'
    within('[role=radiogroup][aria-label="Exercise"]') { click_on(text: 'Straight-in') }
    click_on 'Close'
    click_on 'First attempt'
    click_on 'More'
    within('[role=radiogroup][aria-label="Exercise"]') { assert_text '1 begun' }
    eventually { Fujin::FlyEvent.where(kind: 'exercise').count == 1 }
    assert_accessible('the sheet of two exercises')
  end

  def test_an_attempt_is_given_to_another_exercise_with_one_key
    @sortie.exercises.create!(manoeuvre: 'turning_autorotation', position: 2, spot_name: 'Heath',
                              spot_lat_deg: CORE_SPOT[0], spot_lon_deg: CORE_SPOT[1], elevation_ft: 62.0,
                              course_deg: 350.0)
    attempt = imported(@sortie).find(&:asked?)
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/review"
    assert_select 'An attempt at', selected: '1 Straight-in autorotation'
    find('body').send_keys('x')
    assert_select 'An attempt at', selected: '2 Turning autorotation', wait: 20
    eventually { attempt.reload.manoeuvre == 'turning_autorotation' }
  end

  # The spot moved to where the attempt ended: the worker measures again, and Review follows by itself.
  def test_a_moved_spot_is_measured_from_without_a_button
    attempt = imported(@sortie).find(&:asked?)
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/review?phase=recovery"
    was = attempt.proposal['measures']['miss_along_ft']['value'].round

    assert_operator was.abs, :>, 5
    assert_selector 'tr', text: /Short or long of spot.*#{was.abs}/m
    assert_text 'From above, true scale'
    click_on 'The spot is where this one ended'
    assert_selector 'tr', text: /Short or long of spot.*\b−?[0-2]\s*ft/m, wait: 60
    assert_no_text 'measuring again'
  end

  def test_the_class_the_advice_and_attempts_side_by_side
    imported(@sortie, faults: [{}, { 'slow_glide' => 13.0 }]).each { |one| grade_all(one, @instructor, 'instructor') }
    sign_in(@instructor)
    visit '/students'
    assert_selector 'thead', text: 'Straight-in autorotation'
    assert_accessible('the class')
    click_on @student.name
    assert_text 'The next lesson could be'
    assert_text 'Straight-in autorotation: not to standard yet'
    within('section[aria-labelledby="progress"]') { find('tr', text: 'Straight-in autorotation').find('button').click }
    assert_text 'Not ready for the sign-off'
    assert_accessible('the progress map, a row opened')
    first('a', text: 'Attempts side by side').click
    assert_text 'The one thing:'
    assert_selector 'tr', text: 'Mean glide airspeed'
    assert_text 'laid on the spot'
    assert_accessible('attempts side by side')
  end

  # A spot taken to another place with the keyboard: the plan is drawn from there.
  def test_the_spot_is_moved_over_the_ground
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/prepare"
    click_on 'Move the spot'
    handle = find('[role="slider"][aria-label^="The spot"]')
    handle.send_keys(:right, :right, :enter)
    eventually { @sortie.exercise.reload.spot_name == 'Near Heath' }
    north, = Fujin::LocalMap.new(*CORE_SPOT).north_east(*@sortie.exercise.spot)

    assert_in_delta 50 * 0.3048 * Math.cos(10 * Math::PI / 180), north, 0.3
    assert_text 'Near Heath'
  end

  # A tap on the ground puts the spot there, and it is kept among the school's places under a name.
  def test_a_spot_is_tapped_and_kept
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/prepare"
    click_on 'Move the spot'
    ground = find('svg[aria-label^="Ground view"]')
    ground.click(x: 100, y: -30)
    eventually { @sortie.exercise.reload.spot_name == 'Near Heath' }
    fill_in 'Keep this spot among the places, as', with: 'Larch gap'
    click_on 'Keep the place'
    eventually { @sortie.exercise.reload.spot_name == 'Larch gap' }
    place = Fujin::Place.find_by!(name: 'Larch gap')

    assert_equal @sortie.exercise.spot, [place.lat_deg, place.lon_deg]
    assert_no_text 'Keep this spot among the places'
    refute_equal CORE_SPOT, @sortie.exercise.spot
  end

  # Planned with one control; a surprise beside it is covered on the cockpit's sheet and absent from the student's.
  def test_one_control_and_a_surprise
    secret = @sortie.exercises.create!(@sortie.exercise.attributes.except('id').merge(
                                         'manoeuvre' => 'hovering_autorotation', 'position' => 2
                                       ))
    sign_in(@instructor)
    visit "/sorties/#{@sortie.id}/prepare"
    open_the_day
    find('summary', text: 'Flown: the whole of it, announced').click
    select 'Cyclic', from: 'The student has'
    assert_text 'The student has the cyclic and nothing else'
    assert_text 'Judged: entry airspeed'
    visit "/sorties/#{@sortie.id}/prepare?exercise=2"
    open_the_day
    find('summary', text: 'Flown: the whole of it, announced').click
    fill_in 'A surprise, and when (empty: announced)', with: "In the hover\t"
    assert_text 'Surprise: In the hover. The student does not see it yet.'
    assert_accessible('how an exercise is flown')
    eventually { secret.reload.surprise == 'In the hover' }
    visit "/sorties/#{@sortie.id}/fly"
    assert_text 'The student has the cyclic and nothing else'
    click_on 'More'
    assert_selector 'button', text: 'Later'
    assert_no_selector 'button', text: 'Hovering autorotation'
    visit '/'
    click_on 'Sign out'
    sign_in_by_hand(@student)
    visit "/sorties/#{@sortie.id}/prepare"
    assert_text 'The student has the cyclic and nothing else'
    assert_no_text 'Hovering autorotation'
    # Flown, it is theirs to see, and nobody says that it is not.
    @sortie.reload.update!(off_at: @sortie.starts_at, on_at: @sortie.starts_at + 1800)
    visit "/sorties/#{@sortie.id}/prepare?exercise=2"
    assert_text 'Surprise: In the hover.'
    assert_no_text 'does not see it yet'
  end

  # What counts today is ticked in Prepare; a chief sets how many of a counted block there are.
  def test_what_counts_today_and_how_often
    sign_in(@chief)
    visit "/sorties/#{@sortie.id}/prepare"
    open_the_day
    find('summary', text: 'Counts today: everything').click
    check 'The spot is not judged'
    assert_text 'Counts today: all but the spot'
    eventually { @sortie.exercise.reload.not_judged.sort == %w[miss_across_ft miss_along_ft] }
    assert_accessible('what counts today')
    visit '/method'
    within('form[aria-label="First take-offs"]') do
      find('input[inputmode="numeric"]').set('8')
      click_on 'Store'
    end
    eventually { Fujin::School.current.counted_blocks.first.rungs.first.wanted == 8 }
  end

  # A lesson kept under a name is offered by it; a chief asks for more of one manoeuvre; a code finds a sign-off.
  def test_a_lesson_kept_a_rule_of_its_own_and_a_code
    sign_in(@chief)
    visit "/sorties/#{@sortie.id}/prepare"
    click_on 'Add an exercise'
    fill_in 'Keep this lesson, to be taken again, as', with: 'Our Tuesday'
    click_on 'Keep it'
    assert_button 'Drop Our Tuesday'
    assert_accessible('what to add, with a lesson of our own')
    click_on 'Drop Our Tuesday'
    assert_no_text 'Our Tuesday'
    assert_equal 0, Fujin::LessonTemplate.count

    visit '/method'
    select 'Steep approach', from: 'Another rule for'
    within('form[aria-label="Ready: Steep approach"]') do
      fill_in 'on at least', with: '4', match: :first
      click_on 'Store'
    end
    eventually { Fujin::School.current.readiness_rule('steep_approach')[:days] == 4 }
    assert_nil Fujin::School.current.readiness_rule('hover')[:days]

    visit '/students'
    fill_in 'Code on a printed sign-off', with: 'nothing'
    click_on 'Check it'
    assert_text '16 letters A to F and digits'
    fill_in 'Code on a printed sign-off', with: '0000-0000-0000-0000'
    click_on 'Check it'
    assert_text 'This school made no sign-off with this code'
  end

  # A runway from its ends, by hand, with the courses along it; it stands in the list.
  def test_a_runway_is_added_by_its_ends
    sign_in(@chief)
    visit '/method'
    within('form[aria-label="Add a place"]') do
      fill_in 'Name', with: 'Runway 09'
      select 'Runway', from: 'Kind'
      fill_in 'North, °', with: '47.21', exact: true
      fill_in 'East, °', with: '-14.33', exact: true
      fill_in 'Elevation, ft', with: '40'
      fill_in 'Far end north, °', with: '47.21'
      fill_in 'Far end east, °', with: '-14.32'
      fill_in 'Width, ft', with: '75'
      click_on 'Add it'
    end
    # Read at once: row by row takes longer than it is waited for.
    assert_text(/Runway 09\s+Runway.*90, 270/m)
    assert_in_delta 75, Fujin::Place.find_by!(name: 'Runway 09').width_ft
  end

  def test_the_chief_sets_a_row_of_a_standard
    sign_in(@chief)
    visit '/method'
    find('summary', text: 'Straight-in autorotation').click
    click_on 'Set Collective down after'
    within('form[aria-label="Set Collective down after"]') do
      fill_in 'Solo', with: '1.4'
      click_on 'Look back ninety days'
      assert_text 'No attempt of the last 90 days has this measure.'
      fill_in 'Why', with: 'Our trainers lag'
      assert_accessible('a row being set')
      click_on 'Set it'
    end
    assert_text 'Standard straight-in-2026.3+1'
    assert_text 'Our trainers lag'
  end
end
