const waiting = new Map<string, string>()
const keyOf = (form: string, content: unknown) => `${form} ${JSON.stringify(content)}`

/** The id of what a form holds: the same until it was answered. */
export function idFor(form: string, content: unknown): string {
  const key = keyOf(form, content)
  const id = waiting.get(key) ?? crypto.randomUUID()
  waiting.set(key, id)
  return id
}

/** The server has it: the next one is another. */
export const answered = (form: string, content: unknown): boolean => waiting.delete(keyOf(form, content))

/** Sends what a form holds: a lost answer and a second press make one record. */
export async function once<T>(form: string, content: unknown, send: (id: string) => Promise<T>): Promise<T> {
  const answer = await send(idFor(form, content))
  answered(form, content)
  return answer
}
