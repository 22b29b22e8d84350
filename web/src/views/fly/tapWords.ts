import hands from '../../../../core/data/hands.json'
import type { FlyEvent, Sortie } from '../../api/client'
import { capital, GRADE_WORDS } from '../../design/words'

/** What the help buttons store, and what they say. */
export const HELP = { prompted: 'Prompted', assisted: 'Helped', taken_over: 'Took over' } as const

/** How far the controls are handed over. */
export const LADDER = {
  following: 'Following through',
  one: 'One control',
  two: 'Two',
  three: 'All three',
  alone: 'Alone',
} as const

/** How an attempt comes about, and what the student has in hand in it. */
export const MANNER = { announced: 'Announced', surprise: 'Surprise', demonstration: 'Demonstration' } as const
type Task = keyof (typeof hands)['helicopter']
const TASKS = Object.keys(hands.helicopter) as Task[]
export const taskWords = (kind: Sortie['aircraft']['kind']) =>
  Object.fromEntries(TASKS.map((task) => [task, capital(hands[kind][task])])) as Record<Task, string>

/** A tap in words. */
export function describe(event: FlyEvent, kind: Sortie['aircraft']['kind']): string {
  const where = event.attempt_no ? ` (attempt ${event.attempt_no}${event.phase ? `, ${event.phase}` : ''})` : ''
  switch (event.kind) {
    case 'attempt':
      return `Attempt ${event.attempt_no ?? ''}`
    case 'help':
      return `${HELP[event.payload.value as keyof typeof HELP] ?? 'Help'}${where}`
    case 'grade':
      return `${GRADE_WORDS[event.payload.grade ?? 0] ?? ''}${where}`
    case 'control':
      return LADDER[event.payload.value as keyof typeof LADDER] ?? 'Controls'
    case 'manner':
      return `${MANNER[event.payload.value as keyof typeof MANNER] ?? 'How'}${where}`
    case 'task':
      return `Student has: ${hands[kind][event.payload.value as Task] ?? 'something else'}${where}`
    case 'exercise':
      return 'Exercise changed'
    case 'wind':
      return `Wind ${event.payload.value ?? ''} seen in the air`
    case 'go_around':
      return `Go-around${where}`
    default:
      return `${event.payload.value ?? capital(event.kind)}${where}`
  }
}
