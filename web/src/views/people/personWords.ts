import type { Choice } from '../../design/Pick'

export const ROLES: Choice[] = [
  { id: 'student', word: 'Student' },
  { id: 'instructor_candidate', word: 'Instructor candidate' },
  { id: 'instructor', word: 'Instructor' },
  { id: 'chief_instructor', word: 'Chief instructor' },
]
export const STAGES: Choice[] = [
  { id: 'early', word: 'Early' },
  { id: 'solo', word: 'Solo' },
  { id: 'test', word: 'Test' },
  { id: 'instructor', word: 'Instructor' },
]
export const learns = (role: string) => role === 'student' || role === 'instructor_candidate'
