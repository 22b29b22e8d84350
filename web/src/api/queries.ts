import { t } from '@lingui/core/macro'
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { addExercises, type NewExercise } from './lesson'
import { kept } from './kept'
import { api, Refusal, unwrap, type Schemas, type Sortie, type SortieChange } from './client'
import { once } from './once'
import { useFound, usePaged } from './paged'

export const useToday = () =>
  useQuery({ queryKey: ['today'], queryFn: kept(['today'], () => unwrap(api.GET('/api/today'))) })
/** The class, a page after the other, or those whose name has a part. */
export const useStudents = (find: string) =>
  useFound('students', find, (query) => unwrap(api.GET('/api/students', { params: { query } })))
/** Everybody who learns here, to choose from. */
export const useStudentNames = (enabled = true) =>
  useQuery({ queryKey: ['students', 'names'], queryFn: () => unwrap(api.GET('/api/student-names')), enabled })
export const useStudent = (id: string) =>
  useQuery({
    queryKey: ['student', id],
    queryFn: () => unwrap(api.GET('/api/students/{id}', { params: { path: { id } } })),
  })
/** A student's lessons and what was flown in them, the latest first; pages that were read stand together. */
export function useStudentLessons(id: string) {
  const read = usePaged(['student', id, 'lessons'], (query) =>
    unwrap(api.GET('/api/students/{id}/lessons', { params: { path: { id }, query } })),
  )
  const pages = read.data?.pages ?? []
  return {
    ...read,
    sorties: pages.flatMap((page) => page.sorties),
    flights: pages.flatMap((page) => page.flights),
    /** In order of time. */
    history: [...pages].reverse().flatMap((page) => page.history),
  }
}
export const useSideBySide = (id: string, manoeuvre: string, sortie?: string) =>
  useQuery({
    queryKey: ['side-by-side', id, manoeuvre, sortie],
    queryFn: () =>
      unwrap(
        api.GET('/api/students/{id}/side-by-side', {
          params: { path: { id }, query: sortie ? { manoeuvre, sortie } : { manoeuvre } },
        }),
      ),
    enabled: manoeuvre !== '',
  })
export const usePlaces = () => useQuery({ queryKey: ['places'], queryFn: () => unwrap(api.GET('/api/places')) })
export const useAircraft = () => useQuery({ queryKey: ['aircraft'], queryFn: () => unwrap(api.GET('/api/aircraft')) })

export const useTypes = () => useQuery({ queryKey: ['types'], queryFn: () => unwrap(api.GET('/api/types')) })
export const useType = (id: string) =>
  useQuery({ queryKey: ['type', id], queryFn: () => unwrap(api.GET('/api/types/{id}', { params: { path: { id } } })) })
export const usePowerCard = (id: string) =>
  useQuery({
    queryKey: ['power-card', id],
    queryFn: () => unwrap(api.GET('/api/aircraft/{id}/power-card', { params: { path: { id } } })),
  })
export function useAddType() {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (body: { data?: Record<string, never>; file?: string; reason: string }) =>
      unwrap(api.POST('/api/types', { body })),
    onSuccess: (type) => {
      queries.setQueryData(['type', type.id], type)
      void queries.invalidateQueries({ queryKey: ['types'] })
      void queries.invalidateQueries({ queryKey: ['curves', type.id] })
      void queries.invalidateQueries({ queryKey: ['aircraft'] })
    },
  })
}

export const useAgreement = () =>
  useQuery({ queryKey: ['agreement'], queryFn: () => unwrap(api.GET('/api/agreement')) })
export const useCatalogue = () =>
  useQuery({
    queryKey: ['catalogue'],
    queryFn: () => unwrap(api.GET('/api/catalogue')),
    staleTime: 60_000,
  })
/** By manoeuvre, how many attempts are measured again after a change of standard. */
export const useMeasuringAgain = () =>
  useQuery({
    queryKey: ['catalogue', 'measuring'],
    queryFn: () => unwrap(api.GET('/api/standards/waiting')),
    refetchInterval: ({ state }) => (Object.keys(state.data ?? {}).length > 0 ? 3000 : false),
  })
export const sortieOf = (id: string) =>
  queryOptions({
    queryKey: ['sortie', id],
    queryFn: kept(['sortie', id], () => unwrap(api.GET('/api/sorties/{id}', { params: { path: { id } } }))),
  })
export const useSortie = (id: string) => useQuery(sortieOf(id))

/**
 * Stores a change of the lesson's day or of one of its exercises. Changes of one sortie go one after another, each with the version that this client
 * knows by then; a change made elsewhere in between is refused, never overwritten.
 */
export function useChangeSortie(id: string, exercise?: string) {
  const queries = useQueryClient()
  return useMutation({
    scope: { id: `sortie ${id}` },
    mutationFn: (body: SortieChange) => {
      const version = queries.getQueryData<Sortie>(['sortie', id])?.version ?? 0
      return unwrap(
        api.PATCH('/api/sorties/{id}', {
          params: { path: { id }, query: exercise ? { exercise } : {}, header: { 'If-Match': `"${version}"` } },
          body,
        }),
      )
    },
    onSuccess: (sortie) => {
      queries.setQueryData(['sortie', id], sortie)
      // A plan of the day before the change is nobody's any more: the cockpit and the review ask again. Prepare has
      // asked for the plan with this change already.
      queries.removeQueries({ queryKey: ['plan', id], type: 'inactive' })
      void queries.invalidateQueries({ predicate: ({ queryKey }) => storedPlan(queryKey, id) })
      void queries.invalidateQueries({ queryKey: ['recording'] })
      void queries.invalidateQueries({ queryKey: ['today'] })
      void queries.invalidateQueries({ queryKey: ['student'] })
    },
    onError: (error) => {
      if (error instanceof Refusal && error.status === 409) void queries.invalidateQueries({ queryKey: ['sortie', id] })
    },
  })
}

/** The plan of an exercise as it is stored, without a change tried on it. */
const storedPlan = ([kind, sortie, , change]: readonly unknown[], id: string) =>
  kind === 'plan' && sortie === id && Object.keys(change as object).length === 0

export function useSignOff() {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (body: { student_id: string; manoeuvre: string; remark?: string }) =>
      once('sign-off', body, (id) => unwrap(api.POST('/api/sign-offs', { body: { ...body, id } }))),
    onSuccess: () => void queries.invalidateQueries({ queryKey: ['student'] }),
  })
}

export const useSignOffDocument = (id: string) =>
  useQuery({
    queryKey: ['sign-off', id],
    queryFn: () => unwrap(api.GET('/api/sign-offs/{id}', { params: { path: { id } } })),
  })

export function useWithdraw(id: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (reason: string) =>
      once('withdrawal', { id, reason }, (fresh) =>
        unwrap(api.POST('/api/sign-offs/{id}/withdrawal', { params: { path: { id } }, body: { id: fresh, reason } })),
      ),
    onSuccess: (row) => queries.setQueryData(['sign-off', id], row),
  })
}

export function useSetReadiness() {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (body: { manoeuvre: string | null; rule: Schemas['ReadinessRule'] | null }) =>
      unwrap(api.PUT('/api/readiness', { body })),
    onSuccess: (catalogue) => queries.setQueryData(['catalogue'], catalogue),
  })
}

export function useSetBlock() {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({ id, ...body }: { id: string; counts: number[]; needed: boolean }) =>
      unwrap(api.PUT('/api/blocks/{block}', { params: { path: { block: id } }, body })),
    onSuccess: (catalogue) => queries.setQueryData(['catalogue'], catalogue),
  })
}

export function useChangeHouse(version: number) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (values: Schemas['HouseValues']) =>
      unwrap(api.PUT('/api/house', { params: { header: { 'If-Match': `"${version}"` } }, body: { values } })),
    onSuccess: () => void queries.invalidateQueries({ queryKey: ['catalogue'] }),
  })
}

type StandardRowSet = { manoeuvre: string; measure: string; values: number[] }

/** What the last ninety days would have been with other numbers in a row; nothing is stored. */
export const useLookBack = () =>
  useMutation({ mutationFn: (body: StandardRowSet) => unwrap(api.POST('/api/standards/look-back', { body })) })

export function useChangeStandard() {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (body: StandardRowSet & { reason: string; effective_from?: string }) =>
      unwrap(api.POST('/api/standards/changes', { body })),
    onSuccess: (catalogue) => {
      queries.setQueryData(['catalogue'], catalogue)
      void queries.invalidateQueries({ queryKey: ['catalogue', 'measuring'] })
    },
  })
}

export function useClearAircraft() {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({ id, note }: { id: string; note: string }) =>
      unwrap(api.POST('/api/aircraft/{id}/clearance', { params: { path: { id } }, body: { note } })),
    onSuccess: () => {
      for (const key of ['aircraft', 'fleet', 'board', 'today']) void queries.invalidateQueries({ queryKey: [key] })
    },
  })
}

interface NewLesson {
  student_id: string
  aircraft_id: string
  starts_at: string
  exercises: NewExercise[]
}

export function useCreateSortie() {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: async ({ exercises, ...body }: NewLesson) => {
      const [first, ...more] = exercises
      if (!first) throw new Error(t`A lesson has one exercise at least.`)
      const { manoeuvre, planned_count: count } = first
      const sortie = await once('lesson', [body, exercises], (id) =>
        unwrap(api.POST('/api/sorties', { body: { ...body, id, manoeuvre, planned_count: count ?? null } })),
      )
      return (await addExercises(sortie.id, more)) ?? sortie
    },
    onSuccess: () => void queries.invalidateQueries({ queryKey: ['today'] }),
  })
}
