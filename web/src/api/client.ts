import { t } from '@lingui/core/macro'
import createClient from 'openapi-fetch'
import type { components, paths } from './schema.generated'

export type Schemas = components['schemas']
export type Sortie = Schemas['Sortie']
export type Exercise = Schemas['Exercise']
/** The day with one exercise laid over it. */
export type Planned = Omit<Exercise, 'id' | 'title' | 'attempts'> &
  Sortie & { exercise_id: string; exercise_title: string }
export type SortieRow = Schemas['SortieRow']
export type SortieChange = Schemas['SortieChange']
export type Plan = Schemas['Plan']
export type PathPoint = Schemas['PathPoint']
export type Attempt = Schemas['Attempt']
export type Measure = Schemas['Measure']
export type FlyEvent = Schemas['FlyEvent']
export type NewFlyEvent = Schemas['NewFlyEvent']
export type Standing = Schemas['Standing']
export type Session = Schemas['Session']

/** A refusal from the server, worded for the person who reads it. */
export class Refusal extends Error {
  readonly status: number
  readonly fields: Record<string, string>

  constructor(problem: Schemas['Problem'] | undefined, status: number) {
    super(problem?.detail ?? problem?.title ?? t`Fujin did not answer. What you entered is still here; try again.`)
    this.status = problem?.status ?? status
    this.fields = Object.fromEntries((problem?.errors ?? []).map((error) => [error.path, error.message]))
  }
}

/** Nobody answered: no network, no server, or only something between that does not know Fujin. */
export class NoConnection extends Error {
  constructor(message = t`No connection to Fujin. What you entered is still here; try again when there is one.`) {
    super(message)
  }
}

const NOBODY = [502, 503, 504]

/** An answer that took longer says too little of the clock. */
const QUICK_MS = 1000

/** How far this device's clock is ahead of the server's, from the answer that was quickest, ms. */
let clock: { ahead: number; took: number } | undefined
export const clockAheadMs = () => clock?.ahead

function compareClocks(response: Response, began: number) {
  const server = Number(response.headers.get('x-server-time'))
  const took = Date.now() - began
  if (server > 0 && took <= QUICK_MS && (!clock || took <= clock.took))
    clock = { ahead: Math.round(began + took / 2 - server), took }
}

/** Asks the server; who does not answer is not connected. */
export async function ask(request: Request | string, init?: RequestInit): Promise<Response> {
  const began = Date.now()
  let response: Response
  try {
    response = await fetch(request, init)
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') throw error
    throw new NoConnection()
  }
  if (NOBODY.includes(response.status)) throw new NoConnection()
  compareClocks(response, began)
  return response
}

let csrfToken = ''
export const keepToken = (token: string) => {
  csrfToken = token
}
export const tokenHeader = () => ({ 'X-CSRF-Token': csrfToken })

/** Sends a file's bytes as they are, by its name. */
export async function sendFile<T>(url: string, file: File): Promise<T> {
  const response = await ask(`${url}?name=${encodeURIComponent(file.name)}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream', ...tokenHeader() },
    body: file,
  })
  const body: unknown = await response.json().catch(() => undefined)
  if (!response.ok) throw new Refusal(body as Schemas['Problem'], response.status)
  return body as T
}

export const api = createClient<paths>({ baseUrl: '/', fetch: ask })
api.use({
  onRequest: ({ request }) => {
    request.headers.set('X-CSRF-Token', csrfToken)
    return request
  },
})

interface Answer<T> {
  data?: T
  error?: unknown
  response: Response
}

/** The answer's data, or the server's refusal thrown. */
export async function unwrap<T>(answer: Promise<Answer<T>>): Promise<T> {
  const { data, error, response } = await answer
  if (!response.ok) throw new Refusal(error as Schemas['Problem'] | undefined, response.status)
  return data as T
}

export const newId = () => crypto.randomUUID()
