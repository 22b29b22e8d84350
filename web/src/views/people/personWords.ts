import { t } from '@lingui/core/macro'
import type { Choice } from '../../design/Pick'

export const ROLES: Choice[] = [
  { id: 'student', word: t`Student` },
  { id: 'instructor_candidate', word: t`Instructor candidate` },
  { id: 'instructor', word: t`Instructor` },
  { id: 'chief_instructor', word: t`Chief instructor` },
]
export const STAGES: Choice[] = [
  { id: 'early', word: t`Early` },
  { id: 'solo', word: t`Solo` },
  { id: 'test', word: t`Test` },
  { id: 'instructor', word: t`Instructor` },
]
export const learns = (role: string) => role === 'student' || role === 'instructor_candidate'
