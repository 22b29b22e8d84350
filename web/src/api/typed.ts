/**
 * What somebody typed and has not stored yet: on this device, by person and place, so that it survives moving along,
 * reloading and another tab, until it is stored or dropped.
 */
const HEAD = 'fujin.typed.'

let person = ''
/** Whose words are kept from now on. */
export const typedFor = (id: string) => {
  person = id
}

const listeners = new Set<() => void>()
const tell = () => listeners.forEach((listener) => listener())
export const subscribe = (listener: () => void) => {
  listeners.add(listener)
  window.addEventListener('storage', listener)
  return () => {
    listeners.delete(listener)
    window.removeEventListener('storage', listener)
  }
}

export const typedKey = (place: string) => `${HEAD}${person}.${place}`

/** A device without room keeps what is typed for as long as the page stands, and no longer. */
const here = new Map<string, string>()
export const readTyped = (key: string) => here.get(key) ?? window.localStorage.getItem(key)

/** @param text null drops it */
export function putTyped(key: string, text: string | null) {
  here.delete(key)
  try {
    if (text === null) window.localStorage.removeItem(key)
    else window.localStorage.setItem(key, text)
  } catch {
    if (text !== null) here.set(key, text)
  }
  tell()
}

/** Signed out: nothing of anybody's words stays. */
export function forgetTyped() {
  here.clear()
  for (const key of Object.keys(window.localStorage).filter((one) => one.startsWith(HEAD))) {
    window.localStorage.removeItem(key)
  }
}
