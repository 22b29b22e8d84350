import { t } from '@lingui/core/macro'
import type { Dexie, EntityTable } from 'dexie'
import type { QueryKey } from '@tanstack/react-query'
import { NoConnection } from './client'
import { deviceStore } from './deviceStore'

/** An answer as it lies on the device: whose it is, to what question, from when. */
interface Answer {
  key: string
  person: string
  at: number
  value: unknown
}

type Answers = Dexie & { answers: EntityTable<Answer, 'key'> }
const answers = deviceStore('fujin-kept', (opened) => {
  opened.version(1).stores({ answers: 'key, person' })
  return (opened as Answers).answers
})

/** A connection this slow is none. */
const PATIENCE_MS = 10_000

/** What Fujin did not answer is asked again by itself this often. */
const AGAIN_MS = 3000
export const askedAgain = (unanswered: boolean) => unanswered && AGAIN_MS

let person = ''
/**
 * Whose answers are kept from now on; what was kept for somebody else leaves the device. A session that only ended
 * changes nothing: whoever signs in again finds the sheet as it was.
 * @returns whether they were this person's already
 */
export async function keepFor(id: string): Promise<boolean> {
  const already = person === id
  person = id
  if (id) await quietly(answers().then((rows) => rows.where('person').noneOf([id, '']).delete()))
  return already
}

/** Signed out: nothing of anybody's stays. */
export const forgetAnswers = () => quietly(answers().then((rows) => rows.clear()))

const keyOf = (key: QueryKey, whose: string) => JSON.stringify([whose, ...key])
/** A device without room or in a private window keeps nothing; that is said by Ready, not by a failed read. */
const quietly = <T>(work: PromiseLike<T>): Promise<T | undefined> => Promise.resolve(work).catch(() => undefined)

/** Answers that came from the device and not from Fujin, with the moment they are from. */
const old = new Map<string, number>()

/** Fujin has answered this just now, to this question or to another one. */
export async function keepAnswer(key: QueryKey, value: unknown, whose: string) {
  old.delete(keyOf(key, whose))
  const row = { key: keyOf(key, whose), person: whose, at: Date.now(), value }
  await quietly(answers().then((rows) => rows.put(row)))
}

/** The network first, the device where there is none: the same question answers with what it answered last. */
export function kept<T>(
  key: QueryKey,
  ask: (signal?: AbortSignal) => Promise<T>,
  whose = () => person,
): (context?: { signal?: AbortSignal }) => Promise<T> {
  return async (context) => {
    const owner = whose()
    const here = keyOf(key, owner)
    try {
      const value = await patiently(ask(context?.signal))
      await keepAnswer(key, value, owner)
      return value
    } catch (error) {
      if (!(error instanceof NoConnection)) throw error
      const row = await quietly(answers().then((rows) => rows.get(here)))
      if (!row) throw new NoConnection(t`No connection to Fujin, and this was not opened on this device before.`)
      old.set(here, row.at)
      return row.value as T
    }
  }
}

const patiently = <T>(asked: Promise<T>): Promise<T> =>
  new Promise((answer, refuse) => {
    const timer = setTimeout(() => refuse(new NoConnection()), PATIENCE_MS)
    asked.then(answer, refuse).finally(() => clearTimeout(timer))
  })

/** Of an answer that lay on the device: from when it is, ms; undefined of one that Fujin gave just now. */
export const oldSince = (key: QueryKey, whose = person): number | undefined => old.get(keyOf(key, whose))

/** When this question was answered last, if its answer is on the device. */
export const keptAt = async (key: QueryKey) =>
  (await quietly(answers().then((rows) => rows.get(keyOf(key, person)))))?.at
