import { t } from '@lingui/core/macro'
import hands from '../../../../core/data/hands.json'
import type { FlyEvent, Sortie } from '../../api/client'
import { capital, GRADE_WORDS } from '../../design/words'

/** What the help buttons store, and what they say. */
export const HELP = { prompted: t`Prompted`, assisted: t`Helped`, taken_over: t`Took over` } as const

/** How far the controls are handed over. */
export const LADDER = {
  following: t`Following through`,
  one: t`One control`,
  two: t`Two`,
  three: t`All three`,
  alone: t`Alone`,
} as const

/** How an attempt comes about, and what the student has in hand in it. */
export const MANNER = { announced: t`Announced`, surprise: t`Surprise`, demonstration: t`Demonstration` } as const
type Task = keyof (typeof hands)['helicopter']
const TASKS = Object.keys(hands.helicopter) as Task[]
export const taskWords = (kind: Sortie['aircraft']['kind']) =>
  Object.fromEntries(TASKS.map((task) => [task, capital(hands[kind][task])])) as Record<Task, string>

/** A tap in words. */
export function describe(event: FlyEvent, kind: Sortie['aircraft']['kind']): string {
  const where = event.attempt_no ? t` (attempt ${event.attempt_no}${event.phase ? `, ${event.phase}` : ''})` : ''
  switch (event.kind) {
    case 'attempt':
      return t`Attempt ${event.attempt_no ?? ''}`
    case 'help':
      return `${HELP[event.payload.value as keyof typeof HELP] ?? t`Help`}${where}`
    case 'grade':
      return `${GRADE_WORDS[event.payload.grade ?? 0] ?? ''}${where}`
    case 'control':
      return LADDER[event.payload.value as keyof typeof LADDER] ?? t`Controls`
    case 'manner':
      return `${MANNER[event.payload.value as keyof typeof MANNER] ?? t`How`}${where}`
    case 'task':
      return t`Student has: ${hands[kind][event.payload.value as Task] ?? t`something else`}${where}`
    case 'exercise':
      return t`Exercise changed`
    case 'wind':
      return t`Wind ${event.payload.value ?? ''} seen in the air`
    case 'go_around':
      return t`Go-around${where}`
    default:
      return `${event.payload.value ?? capital(event.kind)}${where}`
  }
}
