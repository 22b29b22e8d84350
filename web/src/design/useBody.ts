import { useEffect, useRef, type ChangeEvent, type FormEvent } from 'react'
import {
  get,
  useForm,
  useWatch,
  type DefaultValues,
  type FieldValues,
  type Path,
  type PathValue,
} from 'react-hook-form'
import { bodyOf, type Body } from './body'
import { fieldErrors } from './Field'
import { isNumber, wrongWith, type Range, type Ranges } from './rangeWords'

interface Options<V> {
  /** The form's fields by the contract's names, with what stands in them at first. */
  start: V
  /** What the server refused. */
  error?: Error | null
  /** What is typed, where a store outside keeps it: the form follows it, and tells what is typed. */
  typed?: V
  onTyped?: (values: V) => void
}

interface Asked {
  /** May not be left open, whatever the contract says. */
  required?: boolean
  /** What is wrong with it beside what the contract says. */
  wrong?: (text: string) => string | undefined
}

type Input = HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement

/**
 * A form over one body of the contract: what the contract does not allow is said at its field before anything is sent,
 * what the server refuses is said there after it.
 * @param ranges the body's, from ranges.generated.ts
 */
export function useBody<R extends Ranges, V extends FieldValues>(
  ranges: R,
  { start, error = null, typed, onTyped }: Options<V>,
) {
  const form = useForm<V>({
    defaultValues: start as DefaultValues<V>,
    ...(typed ? { values: typed, resetOptions: { keepErrors: true, keepIsSubmitted: true } } : {}),
  })
  const values = useWatch({ control: form.control }) as V
  const { isSubmitted } = form.formState
  const { setError } = form
  const shown = new Set<string>()
  const inputs = useRef(new Map<string, Input>())
  useEffect(() => {
    for (const [path, message] of Object.entries(fieldErrors(error)))
      setError(path as Path<V>, { type: 'server', message })
  }, [error, setError])

  const errorOf = (name: Path<V>) => form.getFieldState(name, form.formState).error?.message
  const put = <N extends Path<V>>(name: N, value: PathValue<V, N>) => {
    form.clearErrors(name)
    form.setValue(name, value, { shouldDirty: true, shouldValidate: isSubmitted })
    onTyped?.(form.getValues())
  }
  const register = (name: Path<V>, { required, wrong }: Asked = {}) => {
    const range = rangeAt(ranges, name)
    const needed = required ?? range.required ?? false
    shown.add(name)
    const {
      ref: take,
      onBlur,
      onChange: change,
    } = form.register(name, {
      validate: (value: unknown) =>
        typeof value === 'string'
          ? (wrongWith(range, value, needed, inputs.current.get(name)?.validity.badInput) ?? wrong?.(value))
          : undefined,
    })
    const ref = (input: Input | null) => {
      if (input) inputs.current.set(name, input)
      else inputs.current.delete(name)
      take(input)
    }
    const onChange = (event: ChangeEvent<Input>) => {
      void change(event)
      onTyped?.(form.getValues())
    }
    return { range, common: { name, ref, onBlur, required: needed, error: errorOf(name) }, onChange }
  }
  return {
    values,
    put,
    reset: form.reset,
    focus: form.setFocus,
    /** What a <form> takes: it sends the whole body, once nothing is wrong with it. */
    form: (send: (body: Body<V, R>) => void) => ({
      noValidate: true,
      onSubmit: (event: FormEvent) => {
        event.stopPropagation()
        form.clearErrors()
        void form.handleSubmit((now) => send(bodyOf(ranges, now) as Body<V, R>))(event)
      },
    }),
    /** What a Field takes. */
    field: (name: Path<V>, asked?: Asked) => {
      const { range, common, onChange } = register(name, asked)
      return { ...common, ...inputOf(range), onChange, value: String(get(values, name) ?? '') }
    },
    /** What a PickField takes. */
    pick: (name: Path<V>, asked?: Asked) => ({
      ...register(name, asked).common,
      value: String(get(values, name) ?? ''),
      onText: (id: string) => put(name, id as PathValue<V, Path<V>>),
    }),
    /** What a checkbox takes. */
    tick: (name: Path<V>) => {
      const { common, onChange } = register(name)
      return { name, ref: common.ref, onBlur: common.onBlur, onChange, checked: Boolean(get(values, name)) }
    },
    /** What is wrong with something that is no field, for whoever shows it. */
    errorOf: (name: Path<V>) => {
      shown.add(name)
      return errorOf(name)
    },
    /** What <Refused> takes, after the fields: those that say it themselves. */
    refused: () => ({ error, fields: [...shown] }),
  }
}

/** A field beside the contract's is checked for nothing but being there. */
const rangeAt = (ranges: Ranges, name: string): Range =>
  name.split('.').reduce<Range>((at, key) => at.fields?.[key] ?? at.each ?? {}, { fields: ranges })

const INPUTS: Record<string, string> = { date: 'date', 'date-time': 'datetime-local' }

function inputOf(range: Range) {
  const { minimum: min, maximum: max, maxLength, format } = range
  if (isNumber(range)) {
    const whole = range.type === 'integer'
    // A keypad of figures has no minus.
    const keypad =
      min !== undefined && min >= 0 ? { inputMode: whole ? ('numeric' as const) : ('decimal' as const) } : {}
    return { type: 'number', min, max, step: whole ? 1 : 'any', ...keypad }
  }
  return { maxLength, ...(format && INPUTS[format] ? { type: INPUTS[format] } : {}) }
}
