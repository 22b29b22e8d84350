import { spoken } from './spoken'

/** In place of `i18n` behind the pages, where nobody reads and no file may be waited for. */
export const locale = 'en-GB'
export const i18n = spoken('en', {})
