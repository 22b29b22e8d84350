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
    super(problem?.detail ?? problem?.title ?? 'Fujin did not answer. What you entered is still here; try again.')
    this.status = problem?.status ?? status
    this.fields = Object.fromEntries((problem?.errors ?? []).map((error) => [error.path, error.message]))
  }
}

let csrfToken = ''
export const keepToken = (token: string) => {
  csrfToken = token
}
export const tokenHeader = () => ({ 'X-CSRF-Token': csrfToken })

/** Sends a file's bytes as they are, by its name. */
export async function sendFile<T>(url: string, file: File): Promise<T> {
  const response = await fetch(`${url}?name=${encodeURIComponent(file.name)}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream', ...tokenHeader() },
    body: file,
  })
  const body: unknown = await response.json().catch(() => undefined)
  if (!response.ok) throw new Refusal(body as Schemas['Problem'], response.status)
  return body as T
}

export const api = createClient<paths>({ baseUrl: '/' })
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
