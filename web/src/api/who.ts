import type { Schemas } from './client'

type Someone = { role: Schemas['Role'] } | null | undefined

/** Whose own flights are recorded and graded: students, and instructor candidates. */
export const isLearner = (person: Someone) => person?.role === 'student' || person?.role === 'instructor_candidate'
