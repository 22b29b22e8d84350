# frozen_string_literal: true

require_relative '../server_helper'

# Which area answers an address, and which part of the contract it is held to.
class RoutesTest < Minitest::Test
  include ServerHelp

  TREE = Fujin::RouteTree.new(
    'GET /api/people/:id' => :person, 'GET /api/people/list' => :list, 'GET /api/people/:id/log' => :log,
    'GET /api/people/list/:year' => :year, 'PUT /api/people/:id' => :change
  )

  def found(address) = TREE.find(address)&.then { |one| [one.what, one.places] }

  def test_words_go_before_places_and_places_are_told_by_their_names
    assert_equal [:person, { 'id' => '7' }], found('GET /api/people/7')
    assert_equal [:list, {}], found('GET /api/people/list')
    assert_equal [:year, { 'year' => '2026' }], found('GET /api/people/list/2026')
    assert_equal [:log, { 'id' => '7' }], found('GET /api/people/7/log')
    assert_equal [:change, { 'id' => 'list' }], found('PUT /api/people/list'), 'of its own verb'
  end

  # What begins as a word goes on as a place, where the word leads nowhere.
  def test_a_way_that_leads_nowhere_is_gone_back
    assert_equal :year, found('GET /api/people/list/log').first
    tree = Fujin::RouteTree.new('GET /:id/log' => :log, 'GET /list/year' => :year)
    log = tree.find('GET /list/log')

    assert_equal [:log, { 'id' => 'list' }], [log.what, log.places]
  end

  def test_nothing_is_no_id_and_an_address_ends_where_it_ends
    ['GET /api/people/', 'GET /api/people', 'GET /api/people/7/', 'GET /api/people//log', 'GET /api/people/7/log/8',
     'DELETE /api/people/7', 'GET ', ''].each { |address| assert_nil found(address), address }
  end

  # The contract's own library walks through all of its paths.
  def test_every_operation_of_the_contract_is_found_as_its_library_finds_it
    contract = Fujin::Contract.read
    Fujin::Area.routes_declared.each do |route|
      verb, path = route.split(' ', 2)
      address = path.gsub(/:\w+/) { |name| "an-#{name.delete(':')}" }
      own = contract.operation_object(address, verb.downcase).request_operation
      other = contract.open_api.request_operation(verb.downcase, address)

      assert_same other.operation_object, own.operation_object, route
      assert_equal [other.original_path, other.path_params], [own.original_path, own.path_params], route
    end
  end

  def test_a_head_is_answered_as_the_read_without_its_body
    as(@instructor)
    get "/api/sorties/#{@sortie.id}"
    whole = last_response
    head "/api/sorties/#{@sortie.id}"

    assert_equal 200, status
    assert_empty last_response.body
    assert_equal whole['content-type'], last_response['content-type']
  end

  def test_what_is_nowhere_says_so
    as(@instructor)
    ['/api/nothing', '/api/sorties/', "/api/sorties/#{@sortie.id}/", '/api/sorties//attempts'].each do |path|
      get path

      assert_equal [404, 'Not found'], [status, answer['title']], path
    end
  end

  # One question, many values: the words are kept, what is asked of is not.
  def test_a_kept_question_is_asked_of_what_is_given
    other = sortie(student: @other)
    asked = ->(*ids) { Fujin::Sortie.asked(:tried, ids) { Fujin::Sortie.where('id = ANY($1)').order(:id) }.map(&:id) }

    assert_equal [@sortie.id], asked.call(@sortie.id)
    assert_equal [other.id, @sortie.id].sort, asked.call(other.id, @sortie.id)
    assert_empty asked.call
  end
end
