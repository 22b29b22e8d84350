# frozen_string_literal: true

require 'bundler/setup'
require 'json'
require 'open3'
require 'minitest/autorun'
require_relative 'lines_run'

# Pure TypeScript, asked from here: the module is bundled as the client's own build does it, run in Node, and each case
# is a function's name with its arguments.
module WebModule
  ROOT = File.expand_path('..', __dir__)

  # What has no place in JSON goes as text; functions that take a scale get it as `[factor, offset]`.
  RUNNER = <<~JS
    import { rolldown } from 'rolldown'
    import { texts } from './texts.js'
    const [file, cases] = JSON.parse(await new Response(process.stdin).text())
    const bundle = await rolldown({ input: file, logLevel: 'silent', plugins: [texts({ english: true })] })
    const { output } = await bundle.generate({ format: 'esm' })
    const module = await import('data:text/javascript,' + encodeURIComponent(output[0].code))
    const given = (value) => Array.isArray(value?.floats) ? Float32Array.from(value.floats, (v) => v ?? NaN)
      : Array.isArray(value?.scale) ? (v) => v * value.scale[0] + value.scale[1]
      : value === '(nothing)' ? undefined : value
    const deep = (value) => { const it = given(value)
      return it === value && it && typeof it === 'object' ? Array.isArray(it) ? it.map(deep)
        : Object.fromEntries(Object.entries(it).map(([k, v]) => [k, deep(v)])) : it }
    const told = (value) => value === undefined ? '(nothing)' : ArrayBuffer.isView(value) ? Array.from(value) : value
    process.stdout.write(JSON.stringify(await Promise.all(cases.map(async ([name, ...args]) => told(await module[name](...args.map(deep)))))))
  JS

  NOTHING = '(nothing)'

  # @param file [String] under web/src
  # @param cases [Array<Array>] name of an exported function, then its arguments
  # @return [Array] each answer, as JSON has it
  def ask(file, *cases)
    out, err, status =
      Open3.capture3(
        'node', '--input-type=module', '-e', RUNNER,
        stdin_data: JSON.generate([File.join('src', file), cases]), chdir: File.join(ROOT, 'web')
      )
    assert_predicate status, :success?, err
    JSON.parse(out)
  end

  # Each row: what is expected, the function's name, its arguments.
  def assert_table(file, rows)
    answers = ask(file, *rows.map { |row| row.drop(1) })
    rows.zip(answers).each do |row, answer|
      row[0].nil? ? assert_nil(answer) : assert_equal(row[0], answer, row.inspect)
    end
  end
end
