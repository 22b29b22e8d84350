# frozen_string_literal: true

require 'bundler/setup'
require 'json'
require 'minitest/autorun'

# Pure TypeScript, asked from here: the module is bundled as the client's own build does it, run in Node, and each case
# is a function's name with its arguments. One Node answers all of a process: what it has bundled it keeps, but each
# question is to a module of its own.
module WebModule
  ROOT = File.expand_path('..', __dir__)

  # What has no place in JSON goes as text; functions that take a scale get it as `[factor, offset]`.
  RUNNER = <<~JS
    import { createInterface } from 'node:readline'
    import { rolldown } from 'rolldown'
    import { texts } from './texts.js'
    const codes = new Map()
    const bundled = async (input) => {
      const bundle = await rolldown({ input, logLevel: 'silent', plugins: [texts({ english: true })] })
      return (await bundle.generate({ format: 'esm' })).output[0].code
    }
    let asked = 0
    const fresh = async (file) => {
      if (!codes.has(file)) codes.set(file, await bundled(file))
      return import('data:text/javascript,' + encodeURIComponent(`${codes.get(file)}\n// ${asked += 1}`))
    }
    const given = (value) => Array.isArray(value?.floats) ? Float32Array.from(value.floats, (v) => v ?? NaN)
      : Array.isArray(value?.scale) ? (v) => v * value.scale[0] + value.scale[1]
      : value === '(nothing)' ? undefined : value
    const deep = (value) => { const it = given(value)
      return it === value && it && typeof it === 'object' ? Array.isArray(it) ? it.map(deep)
        : Object.fromEntries(Object.entries(it).map(([k, v]) => [k, deep(v)])) : it }
    const told = (value) => value === undefined ? '(nothing)' : ArrayBuffer.isView(value) ? Array.from(value) : value
    const answers = async ([file, cases]) => {
      const module = await fresh(file)
      return Promise.all(cases.map(async ([name, ...args]) => told(await module[name](...args.map(deep)))))
    }
    console.log = console.error
    for await (const line of createInterface({ input: process.stdin })) {
      const said = await answers(JSON.parse(line)).catch((failed) => ({ failed: String(failed?.stack ?? failed) }))
      process.stdout.write(`${JSON.stringify(said)}\n`)
    }
  JS

  NOTHING = '(nothing)'

  # Ends with this process, which closes its line.
  def self.node
    @node ||= IO.popen(['node', '--input-type=module', '-e', RUNNER], 'r+', chdir: File.join(ROOT, 'web'))
  end

  # @param file [String] under web/src
  # @param cases [Array<Array>] name of an exported function, then its arguments
  # @return [Array] each answer, as JSON has it
  def ask(file, *cases)
    WebModule.node.puts(JSON.generate([File.join('src', file), cases]))
    said = JSON.parse(WebModule.node.gets || flunk('Node has ended'))
    said.is_a?(Hash) ? flunk(said['failed']) : said
  end

  # Each row: what is expected, the function's name, its arguments.
  def assert_table(file, rows)
    answers = ask(file, *rows.map { |row| row.drop(1) })
    rows.zip(answers).each do |row, answer|
      row[0].nil? ? assert_nil(answer) : assert_equal(row[0], answer, row.inspect)
    end
  end
end
