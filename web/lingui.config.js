import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { formatter } from '@lingui/format-json'

const FOLDER = join(import.meta.dirname, 'src/language')
const locales = readdirSync(FOLDER).filter((name) => name.endsWith('.json'))

/** One catalogue of all texts that the client shows; `npm run words` brings each language's file up to date. */
export default {
  sourceLocale: 'en',
  locales: [...new Set(['en', ...locales.map((name) => name.slice(0, -'.json'.length))])],
  catalogs: [{ path: '<rootDir>/src/language/{locale}', include: ['<rootDir>/src'] }],
  format: formatter({ style: 'minimal' }),
  runtimeConfigModule: { i18n: ['#language/i18n', 'i18n'], Trans: ['#language/Trans', 'Trans'] },
}
