# frozen_string_literal: true

require_relative '../server_helper'
require 'minitest/mock'

# What does not fit the contract is told as a person would say it, and what the contract allows is what the core allows.
class ContractTest < Minitest::Test
  include ServerHelp

  def setup
    super
    as(@chief)
  end

  def fault(path, body, verb: 'POST')
    call(verb, path, body)

    assert_equal 400, status
    refute_match(%r{#/|schema|properties|enum|pattern \^|Hash|Integer|String}, answer.to_json)
    assert_match(/Nothing was stored/, answer['detail'])
    answer['errors'].first.values_at('path', 'message')
  end

  def person_with(**fields)
    { id: SecureRandom.uuid, name: 'Wenna Marsh', sign_in: 'wenna', role: 'student', mass_kg: 64 }.merge(fields)
  end

  def test_a_fault_names_its_field_what_was_expected_and_what_came
    {
      { mass_kg: 300 } => ['mass_kg', 'expected a number from 30 to 200, got 300'],
      { mass_kg: 29 } => ['mass_kg', 'expected a number from 30 to 200, got 29'],
      { mass_kg: 'heavy' } => ['mass_kg', 'expected a number from 30 to 200, got "heavy"'],
      { mass_kg: '64' } => ['mass_kg', 'expected a number from 30 to 200, got "64"'],
      { name: '' } => ['name', 'expected a text of 1 to 80 characters, got ""'],
      { id: '17' } => ['id', 'expected an id, got "17"'],
      { role: 'king' } => ['role',
                           'expected one of chief_instructor, instructor, instructor_candidate, student, got "king"'],
      { crown: 1 } => ['', 'expected nothing of the name crown']
    }.each { |fields, told| assert_equal told, fault('/api/people', person_with(**fields)), fields.inspect }
    assert_equal ['name', 'still to be filled in'], fault('/api/people', person_with.except(:name))
    assert_equal ['', 'still to be filled in: name, role'], fault('/api/people', person_with.except(:name, :role))
    assert_equal ['from_at', 'expected a moment such as 2026-04-30T09:30:00Z, got "soon"'],
                 fault('/api/absences', { id: SecureRandom.uuid, person_id: @chief.id, from_at: 'soon',
                                          to_at: 'later', words: 'away' })
    assert_equal ['name', "expected a text of 1 to 80 characters, got \"#{'a' * 59}…"],
                 fault('/api/people', person_with(name: 'a' * 81))
    assert_equal ['password', 'expected a text of 1 to 200 characters'],
                 fault('/api/session', { sign_in: 'chief', password: 'b' * 201 })
    assert_equal 0, Fujin::Person.where(sign_in: 'wenna').count
  end

  # What failed inside is told in words alone.
  def test_a_failure_of_ours_says_nothing_of_its_kind
    Fujin::TodayBoard.stub(:new, ->(*) { raise ArgumentError, 'comparison of String with Float failed' }) do
      call('GET', '/api/today', {})
    end

    assert_equal [500, 'about:blank', 'Something went wrong here'], [status, *answer.values_at('type', 'title')]
    refute_match(/ArgumentError|comparison/, last_response.body)
  end

  def test_a_change_without_the_version_that_was_read_says_what_to_do
    path, message = fault("/api/people/#{@student.id}", { mass_kg: 70 }, verb: 'PATCH')

    assert_equal 'If-Match', path
    assert_match(/read it again, then repeat/, message)
  end

  # Said in two places, since the one is asked before the other: they may not part.
  def test_the_contract_allows_what_the_core_allows
    contract = Fujin::ContractFault.contract
    rules = contract.dig('components', 'schemas', 'BookingRules', 'properties')
    minima = contract.dig('components', 'schemas', 'Minima', 'properties')
    solo = contract['paths'].dig('/api/students/{id}/solo', 'post', 'requestBody', 'content', 'application/json',
                                 'schema', 'properties')
    span = ->(properties, name) { properties.fetch(name.to_s).values_at('minimum', 'maximum') }

    Fujin::Bookings::Rules::NUMBERS.each { |name, (_, *range)| assert_equal range, span.call(rules, name), name }
    Fujin::Bookings::Rules::MINIMA_RANGES.each { |name, range| assert_equal range, span.call(minima, name), name }
    Fujin::Solo::Authority::RANGES.each { |name, range| assert_equal range, span.call(solo, name), name }
  end
end
