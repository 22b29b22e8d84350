# frozen_string_literal: true

require_relative '../server_helper'

# Every route of the contract, asked with what no form sends: each is refused in words, and nothing fails inside. A few
# hundred questions here; FUJIN_FUZZ=10000 asks as many by hand, FUJIN_FUZZ_SEED other ones.
class FuzzTest < Minitest::Test
  include ServerHelp

  CONTRACT = YAML.load_file(Fujin::Settings::CONTRACT).freeze
  QUESTIONS = Integer(ENV.fetch('FUJIN_FUZZ', '500'))
  SEED = Integer(ENV.fetch('FUJIN_FUZZ_SEED', '1'))
  ODD = [nil, '', 'x' * 5000, 'Łukasz Żółć, Жук, 東京, 😀', "'; DROP TABLE people; --", -1, 0, 1e308, 2**70, [], {}, true,
         '1900-01-01', '2999-12-31', '2026-02-30', '2999-12-31T23:59:59Z', '1900-01-01T00:00:00Z',
         '00000000-0000-0000-0000-000000000000', '%s%n', '../../etc/passwd', "a\r\nb", '-0.0', '7', 'NaN'].freeze
  LEAKS = %r{\.rb\b|PG::|ActiveRecord|SELECT |undefined method|/work/|/var/}
  # A stream goes on, a demo is thrown away once, and signing out ends the questions.
  LEFT_OUT = ['GET /api/sorties/{id}/live', 'DELETE /api/demo', 'DELETE /api/session', 'POST /api/session',
              'GET /metrics'].freeze

  def setup
    super
    @random = Random.new(SEED)
    attempt, = imported(@sortie)
    @ids = { 'sorties' => @sortie.id, 'attempts' => attempt.id, 'recordings' => attempt.recording_id,
             'exercises' => @sortie.exercises.first.id, 'people' => @student.id, 'students' => @student.id,
             'aircraft' => @aircraft.id, 'types' => 'tansy-2', 'blocks' => 'circuits' }
    as(@chief)
  end

  def test_nothing_fails_inside
    failed = Array.new(QUESTIONS) { question }.compact

    assert_empty failed
    get '/api/session'

    assert_equal 'chief', answer.dig('person', 'name').downcase, 'still signed in: none of it ended the session'
  end

  # @return [String, nil] what went wrong
  def question
    verb, path, told = routes.sample(random: @random)
    address = path.gsub(/\{\w+\}/) { id_for(path) } + query(told)
    body = body(told)
    call(verb.upcase, address, body, 'HTTP_IF_MATCH' => ['"0"', 'x', '"99"'].sample(random: @random))
    return if status < 500 && !last_response.body.match?(LEAKS)

    "#{verb.upcase} #{address} #{JSON.generate(body)[0, 300]} answered #{status}: #{last_response.body[0, 200]}"
  rescue Committee::InvalidResponse => e
    "#{verb.upcase} #{address}: the answer does not fit the contract: #{e.message[0, 200]}"
  end

  def routes
    @routes ||= CONTRACT['paths'].flat_map do |path, verbs|
      verbs.slice('get', 'post', 'put', 'patch', 'delete').map { |verb, told| [verb, path, told] }
    end.reject { |verb, path, _| LEFT_OUT.include?("#{verb.upcase} #{path}") }
  end

  # Mostly one that is there.
  def id_for(path)
    there = @ids[path.split('/')[2]]
    return there if there && @random.rand < 0.8

    [SecureRandom.uuid, 'none', '0'].sample(random: @random)
  end

  def query(told)
    asked = told.fetch('parameters', []).map { |one| resolved(one) }.select { |one| one['in'] == 'query' }
    return '' if asked.empty?

    pairs = asked.to_h { |one| [one['name'], @random.rand < 0.5 ? odd.to_s : made(one['schema']).to_s] }
    "?#{Rack::Utils.build_query(pairs)}"
  end

  def body(told)
    schema = told.dig('requestBody', 'content', 'application/json', 'schema') or return {}
    value = made(schema)
    @random.rand < 0.2 ? value : spoilt(value)
  end

  def odd = ODD.sample(random: @random)

  # One of its leaves is something else, or gone.
  def spoilt(value)
    case value
    when Hash
      return odd if value.empty?

      key = value.keys.sample(random: @random)
      @random.rand < 0.1 ? value.except(key) : value.merge(key => spoilt(value[key]))
    when Array then value.empty? || @random.rand < 0.3 ? [odd] * 3 : [spoilt(value.first), *value.drop(1)]
    else odd
    end
  end

  def resolved(schema)
    reference = schema['$ref'] or return schema
    resolved(CONTRACT.dig(*reference.delete_prefix('#/').split('/')))
  end

  # Something that fits a schema.
  def made(schema, depth = 0)
    schema = resolved(schema)
    if schema.keys.intersect?(%w[oneOf
                                 anyOf allOf])
      return made(schema.values_at('oneOf', 'anyOf', 'allOf').compact.first.first,
                  depth)
    end
    return schema['enum'].compact.sample(random: @random) if schema['enum']

    case schema['type']
    when 'object' then depth > 5 ? {} : schema.fetch('properties', {}).transform_values { |one| made(one, depth + 1) }
    when 'array' then depth > 5 ? [] : [made(schema.fetch('items', {}), depth + 1)]
    when 'integer', 'number' then @random.rand(Range.new(*bounds(schema)))
    when 'boolean' then @random.rand < 0.5
    else text(schema)
    end
  end

  def bounds(schema)
    low = schema.fetch('minimum', 0)
    [low, schema.fetch('maximum', low + 100)].then { |pair| schema['type'] == 'number' ? pair.map(&:to_f) : pair }
  end

  def text(schema)
    case schema['format']
    when 'uuid' then (@ids.values.grep(/-.*-/) + [SecureRandom.uuid]).sample(random: @random)
    when 'date' then "20#{@random.rand(20..40)}-0#{@random.rand(1..9)}-15"
    when 'date-time' then "20#{@random.rand(20..40)}-0#{@random.rand(1..9)}-15T10:00:00Z"
    else %w[straight_in_autorotation Heath hover 350/10 none].sample(random: @random)
    end
  end
end
