import { transformAsync, types } from '@babel/core'
import { join } from 'node:path'
import { getConfig } from '@lingui/conf'
import { compileMessage } from '@lingui/message-utils/compileMessage'

/** English stands in the code in the form that is put together at once: no page carries what reads a message. */
const compiled = {
  visitor: {
    Program: {
      exit: (program) =>
        program.traverse({
          ObjectProperty({ node }) {
            if (named(node.key, 'message') && types.isStringLiteral(node.value))
              node.value = readAhead(node.value.value)
          },
          JSXAttribute({ node, parent }) {
            if (named(node.name, 'message') && types.isJSXIdentifier(parent.name) && /^_?Trans/.test(parent.name.name))
              node.value = types.jsxExpressionContainer(readAhead(messageIn(node.value)))
          },
        }),
    },
  },
}
const named = (key, name) => (types.isIdentifier(key) || types.isJSXIdentifier(key)) && key.name === name
const messageIn = (value) => (types.isJSXExpressionContainer(value) ? value.expression.value : value.value)

function readAhead(text) {
  const parts = compileMessage(text)
  return parts.every((part) => typeof part === 'string')
    ? types.stringLiteral(parts.join(''))
    : types.valueToNode(parts)
}

/**
 * Turns t`…`, plural and <Trans> into what looks the text up, and reads the messages of a language's file ahead.
 *
 * @param {{ english?: boolean }} [where] English alone, where no page is
 * @returns {import('vite').Plugin}
 */
export function texts({ english = false } = {}) {
  const linguiConfig = getConfig({ cwd: import.meta.dirname })
  const macros = ['@lingui/babel-plugin-lingui-macro', { linguiConfig, stripMessageField: false }]
  return {
    name: 'texts',
    enforce: 'pre',
    resolveId: {
      filter: { id: /^(#language|\.)\/i18n$/ },
      handler: () => (english ? join(import.meta.dirname, 'src/language/english.ts') : null),
    },
    transform: {
      filter: { id: [/\/src\/.*\.tsx?$/, /\/src\/language\/\w+\.json(\?pseudo)?$/] },
      handler(code, id) {
        if (id.endsWith('.json')) return messagesOf(JSON.parse(code))
        if (id.endsWith('?pseudo'))
          return { code: `export default ${messagesOf(JSON.parse(code), accented)}`, moduleType: 'js' }
        if (!code.includes('/macro')) return null
        return transformAsync(code, {
          filename: id,
          babelrc: false,
          configFile: false,
          sourceMaps: true,
          cwd: import.meta.dirname,
          parserOpts: { plugins: ['typescript', 'jsx'] },
          plugins: [macros, compiled],
        })
      },
    },
  }
}

/** A text that is not translated yet is said in English. */
const messagesOf = (catalogue, worded) =>
  JSON.stringify(
    Object.fromEntries(
      Object.entries(catalogue)
        .filter(([, text]) => text)
        .map(([id, text]) => [id, compileMessage(text, worded)]),
    ),
  )

const PLAIN = 'aceginorstuyzACEGINORSTUYZ'
const MARKED = 'áçéğíñóŕśťúýžÁÇÉĞÍÑÓŔŚŤÚÝŽ'

/** The language that nobody speaks: plain letters in it are a text that is in no catalogue. */
const accented = (text) => text.replace(/[a-z]/gi, (letter) => MARKED[PLAIN.indexOf(letter)] ?? `${letter}\u0307`)
