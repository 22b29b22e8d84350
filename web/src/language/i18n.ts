import type { Messages } from '@lingui/core'
import { spoken } from './spoken'

/**
 * The texts of the client in the language of this device. English stands in the code; any other is a file beside this
 * one, read before the first view is.
 */

const ENGLISH = 'en'
/** Says whatever is in the catalogue in letters that nothing else has: for tests. */
const PSEUDO = 'pseudo'
const KEPT = 'fujin.language'

const files = import.meta.glob<Messages>(['./*.json', '!./en.json'], { import: 'default' })
const readers: Record<string, () => Promise<Messages>> = {
  ...Object.fromEntries(Object.entries(files).map(([file, read]) => [file.slice(2, -'.json'.length), read])),
  [PSEUDO]: async () => (await import('./en.json?pseudo')).default,
}

const wanted = [
  localStorage.getItem(KEPT) ?? [],
  ...navigator.languages.map((name) => name.split('-')[0] ?? name),
].flat()
export const language = wanted.find((name) => name === ENGLISH || name in readers) ?? ENGLISH

/** How numbers and days are written. */
export const locale = [ENGLISH, PSEUDO].includes(language) ? 'en-GB' : language
/** Tells the server, which says its own words in the same. */
document.cookie = `fujin_language=${language}; path=/; max-age=31536000; samesite=strict`

export const i18n = spoken(language, (await readers[language]?.()) ?? {})
