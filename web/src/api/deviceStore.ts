import type { Dexie } from 'dexie'

/**
 * What lies on this device under a name. The library comes beside the page and not before it; one that could not be
 * fetched is asked for again at the next question.
 */
export function deviceStore<T>(name: string, tables: (opened: Dexie) => T): () => Promise<T> {
  let opened: Promise<T> | undefined
  const open = () =>
    (opened ??= import('dexie').then(
      ({ Dexie }) => tables(new Dexie(name)),
      (error: unknown) => {
        opened = undefined
        throw error
      },
    ))
  void open().catch(() => undefined)
  return open
}
