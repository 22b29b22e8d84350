# frozen_string_literal: true

require 'yaml'
require_relative '../web_helper'

# Forms hold what is typed to what the contract allows, before it is sent.
class FormsTest < Minitest::Test
  include WebModule

  CONTRACT = YAML.safe_load_file(File.join(ROOT, 'api/openapi.yaml'))
  RANGES = File.readlines(File.join(ROOT, 'web/src/api/ranges.generated.ts')).to_h do |line|
    [line[/\Aexport const (\w+) = /, 1], JSON.parse(line[/ = (.*) as const$/, 1])]
  end

  def plain(schema)
    schema = CONTRACT.dig(*schema['$ref'].delete_prefix('#/').split('/')) while schema['$ref']
    schema['allOf'] ? plain(schema['allOf'].first).merge(schema.except('allOf')) : schema
  end

  # Every bound of every body, by its path, as the contract has it.
  def bounds(schema, path)
    schema = plain(schema)
    own = schema.slice('minimum', 'maximum', 'minLength', 'maxLength', 'pattern').map { |name, at| [path, name, at] }
    own + (schema['properties'] || {}).flat_map { |name, one| bounds(one, [*path, name]) } +
      [schema['items'], schema['additionalProperties']].grep(Hash).flat_map { |one| bounds(one, [*path, '*']) }
  end

  def known(range, path)
    own = range.slice('minimum', 'maximum', 'minLength', 'maxLength', 'pattern').map { |name, at| [path, name, at] }
    own + (range['fields'] || {}).flat_map { |name, one| known(one, [*path, name]) } +
      (range['each'] ? known(range['each'], [*path, '*']) : [])
  end

  def test_every_bound_of_the_contract_is_known_to_the_forms
    bodies = CONTRACT['paths'].values.flat_map(&:values).grep(Hash).filter_map do |operation|
      schema = operation.dig('requestBody', 'content', 'application/json', 'schema')
      [operation['operationId'], schema] if schema
    end

    assert_operator bodies.size, :>, 60
    bodies.each do |name, schema|
      assert_equal bounds(schema, []).sort_by(&:to_s), known({ 'fields' => RANGES.fetch(name) }, []).sort_by(&:to_s),
                   name
    end
  end

  def wrong(range, text, needed: true, half: false) = ['wrongWith', range.transform_keys(&:to_s), text, needed, half]

  def test_what_is_wrong_is_said_on_either_side_of_each_bound
    mass = { type: 'number', minimum: 30, maximum: 200 }
    weeks = { type: 'integer', minimum: 1, maximum: 26 }
    why = { type: 'string', minLength: 3, maxLength: 5 }
    station = { type: 'string', pattern: '^[A-Za-z]{4}$' }
    assert_table('design/rangeWords.ts', [
                   [NOTHING, *wrong(mass, '30')], [NOTHING, *wrong(mass, '200')], [NOTHING, *wrong(mass, '75.5')],
                   ['A number from 30 to 200.', *wrong(mass, '29.9')], ['A number from 30 to 200.', *wrong(mass, '200' \
                     '.1')],
                   ['A number from 30 to 200.', *wrong(mass, 'heavy')],
                   ['A number from 30 to 200.', *wrong(mass, '', half: true)],
                   ['Still to be filled in.', *wrong(mass, ' ')], [NOTHING, *wrong(mass, '', needed: false)],
                   [NOTHING, *wrong(weeks, '26')], ['A whole number from 1 to 26.', *wrong(weeks, '2.5')],
                   ['A number, at least 0.', *wrong({ type: 'number', minimum: 0 }, '-1')],
                   ['At least 3 characters.', *wrong(why, 'ab ')], [NOTHING, *wrong(why, 'abc')],
                   ['At most 5 characters.', *wrong(why, 'abcdef')], [NOTHING, *wrong(why, '', needed: false)],
                   [NOTHING, *wrong(station, 'QUIL')], ['Not in the form that is asked for.', *wrong(station, 'QUI1')]
                 ])
  end

  def body(**fields) = ['bodyOf', fields.keys.to_h { |name| [name, RANGES.dig(*self.class::OF.fetch(name))] }, fields]

  OF = { mass_kg: %w[addPerson mass_kg], email: %w[addPerson email], hours_before: %w[addAircraft hours_before],
         from_at: %w[addAbsence from_at], counts: %w[setBlock counts], minima: %w[setBookingRules minima],
         school: %w[setUpSchool school] }.freeze

  # What nobody typed is null where it may be, left out where it may be, and never nought.
  def test_a_body_says_what_was_typed
    assert_table('design/body.ts', [
                   [{ 'mass_kg' => 75.5 }, *body(mass_kg: '75.5')], [{ 'mass_kg' => '' }, *body(mass_kg: '')],
                   [{ 'email' => nil }, *body(email: ' ')], [{}, *body(hours_before: '')],
                   [{ 'hours_before' => 0 }, *body(hours_before: '0')],
                   [{ 'from_at' => '2026-11-29T08:30:00.000Z' }, *body(from_at: '2026-11-29T08:30')],
                   [{ 'counts' => [3, ''] }, *body(counts: ['3', ''])],
                   [{ 'minima' => { 'early' => { 'visibility_m' => 5000 } } },
                    *body(minima: { early: { visibility_m: '5000' } })],
                   [{ 'school' => { 'name' => 'Tern', 'lat_deg' => -12.5, 'units' => { 'mass' => 'lb' } } },
                    *body(school: { name: 'Tern', lat_deg: '-12.5', units: { mass: 'lb' } })]
                 ])
  end

  def test_every_form_is_held_to_the_contract
    free = Dir[File.join(ROOT, 'web/src/**/*.tsx')].select do |file|
      text = File.read(file)
      text.include?('<form') && !text.include?('useBody(')
    end

    assert_empty free
  end
end
