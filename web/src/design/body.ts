import { isNumber, type Range, type Ranges } from './rangeWords'
import { momentOf } from './times'

/** What a body is made of, from what its form holds: texts of numbers and moments are read, what is open is null or left out. */
export type Body<V, R> = {
  [K in keyof V as K extends keyof R ? (Leaves<R[K]> extends true ? never : K) : K]: K extends keyof R
    ? Told<V[K], R[K]>
    : V[K]
} & {
  [K in keyof V as K extends keyof R ? (Leaves<R[K]> extends true ? K : never) : never]?: Told<V[K], R[K & keyof R]>
}
type Leaves<F> = F extends { required: true } | { nullable: true } ? false : true
type Open<F> = F extends { nullable: true } ? null : never
type Told<V, F> = F extends { fields: infer G }
  ? Body<V, G>
  : F extends { each: infer E }
    ? { [K in keyof V]: Told<V[K], E> }
    : V extends string
      ? | (F extends { type: 'number' | 'integer' } ? number : F extends { enum: readonly (infer E)[] } ? E : string)
        | Open<F>
      : V

/**
 * A form's values as the body says them. What is open and may not be stays an empty text, which the server refuses: a
 * number that nobody typed is never nought.
 */
export const bodyOf = (ranges: Ranges, values: object): object =>
  Object.fromEntries(
    Object.entries(values).flatMap(([name, value]: [string, unknown]) => {
      const range = ranges[name] ?? {}
      if (typeof value !== 'string' || value.trim() !== '') return [[name, read(range, value)]]
      if (range.nullable) return [[name, null]]
      return range.required ? [[name, value]] : []
    }),
  )

function read(range: Range, value: unknown): unknown {
  const { fields, each, format } = range
  if (fields) return bodyOf(fields, value as object)
  if (each && Array.isArray(value)) return value.map((one) => read(each, one))
  if (each) return Object.fromEntries(Object.entries(value as object).map(([key, one]) => [key, read(each, one)]))
  if (typeof value !== 'string' || value.trim() === '') return value
  if (isNumber(range)) return Number(value)
  return format === 'date-time' ? momentOf(value) : value
}
