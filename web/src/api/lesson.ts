import { useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query'
import { api, unwrap, type Schemas, type Sortie } from './client'
import { once } from './once'

const shown = (queries: QueryClient, sortie: Sortie) => {
  queries.setQueryData(['sortie', sortie.id], sortie)
  void queries.invalidateQueries({ queryKey: ['today'] })
  void queries.invalidateQueries({ queryKey: ['attempts', sortie.id] })
  void queries.invalidateQueries({ queryKey: ['recording'] })
}

export const useOffers = (sortieId: string) =>
  useQuery({
    queryKey: ['offers', sortieId],
    queryFn: () => unwrap(api.GET('/api/sorties/{id}/offers', { params: { path: { id: sortieId } } })),
  })

export type NewExercise = Pick<Schemas['NewExercise'], 'manoeuvre' | 'settings' | 'planned_count' | 'objective'>

/** Exercises at the lesson's end, one after the other; the lesson as it is then. */
export async function addExercises(sortieId: string, exercises: NewExercise[]): Promise<Sortie | undefined> {
  let sortie: Sortie | undefined
  for (const exercise of exercises) {
    const { manoeuvre, settings, planned_count: count, objective } = exercise
    sortie = await once('exercise', [sortieId, exercises.indexOf(exercise), exercise], (fresh) =>
      unwrap(
        api.POST('/api/sorties/{id}/exercises', {
          params: { path: { id: sortieId } },
          body: {
            id: fresh,
            manoeuvre,
            settings: settings ?? {},
            planned_count: count ?? null,
            objective: objective ?? null,
          },
        }),
      ),
    )
  }
  return sortie
}

export function useAddExercises(sortieId: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (exercises: NewExercise[]) => addExercises(sortieId, exercises),
    onSuccess: (sortie) => sortie && shown(queries, sortie),
  })
}

export function useOrderExercises(sortieId: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (order: string[]) =>
      unwrap(api.PUT('/api/sorties/{id}/exercises', { params: { path: { id: sortieId } }, body: { order } })),
    onSuccess: (sortie) => shown(queries, sortie),
  })
}

export function useRemoveExercise(sortieId: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (id: string) => unwrap(api.DELETE('/api/exercises/{id}', { params: { path: { id } } })),
    onSuccess: (sortie) => {
      queries.removeQueries({ queryKey: ['plan', sortieId] })
      shown(queries, sortie)
    },
  })
}

/** The exercise that an attempt was one of, or none: it is measured again. */
export function useGiveAttempt(sortieId: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({ id, exerciseId }: { id: string; exerciseId: string | null }) =>
      unwrap(api.PUT('/api/attempts/{id}/exercise', { params: { path: { id } }, body: { exercise_id: exerciseId } })),
    onSuccess: (attempt) => {
      for (const key of ['attempts', 'sortie']) void queries.invalidateQueries({ queryKey: [key, sortieId] })
      for (const key of ['attempt-pictures', 'attempt-path', 'one-change', 'strips'])
        void queries.invalidateQueries({ queryKey: [key, attempt.id] })
    },
  })
}

type SpotTo = { attempt_id: string } | { along_ft: number; across_ft: number; course_deg: number }

/** The exercise's spot is where an attempt ended, or beside where it was; what was flown at it is measured again. */
export function useMoveSpot(sortieId: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({ exerciseId, to }: { exerciseId: string; to: SpotTo }) =>
      unwrap(api.PUT('/api/exercises/{id}/spot', { params: { path: { id: exerciseId } }, body: to })),
    onSuccess: (sortie) => {
      queries.removeQueries({ queryKey: ['plan', sortieId] })
      shown(queries, sortie)
    },
  })
}

/** The lesson kept to be taken again, or one that is kept no longer. */
export function useTemplates(sortieId: string) {
  const queries = useQueryClient()
  const keep = useMutation({
    mutationFn: (body: { title: string }) =>
      once('template', [sortieId, body], (fresh) =>
        unwrap(
          api.POST('/api/sorties/{id}/template', { params: { path: { id: sortieId } }, body: { ...body, id: fresh } }),
        ),
      ),
    onSuccess: (offers) => queries.setQueryData(['offers', sortieId], offers),
  })
  const drop = useMutation({
    mutationFn: (id: string) => unwrap(api.DELETE('/api/templates/{id}', { params: { path: { id } } })),
    onSuccess: () => void queries.invalidateQueries({ queryKey: ['offers', sortieId] }),
  })
  return { keep, drop }
}

/** What an attempt is measured from: its exercise's spot, where the landing before it ended, or where it ended. */
export function useMeasureFrom(sortieId: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({ id, from }: { id: string; from: Schemas['MeasuredFrom'] }) =>
      unwrap(api.PUT('/api/attempts/{id}/spot', { params: { path: { id } }, body: { from } })),
    onSuccess: ({ id }) => {
      void queries.invalidateQueries({ queryKey: ['attempts', sortieId] })
      for (const key of ['attempt-pictures', 'attempt-path', 'one-change', 'strips'])
        void queries.invalidateQueries({ queryKey: [key, id] })
    },
  })
}

export function usePlaceChanges() {
  const queries = useQueryClient()
  const onSuccess = (places: Schemas['Place'][]) => queries.setQueryData(['places'], places)
  const add = useMutation({
    mutationFn: (place: Omit<Schemas['Place'], 'id'>) =>
      once('place', place, (fresh) => unwrap(api.POST('/api/places', { body: { ...place, id: fresh } }))),
    onSuccess,
  })
  const remove = useMutation({
    mutationFn: (id: string) => unwrap(api.DELETE('/api/places/{id}', { params: { path: { id } } })),
    onSuccess,
  })
  const load = useMutation({
    mutationFn: async (file: File) => {
      const text = await file.text()
      return unwrap(api.POST('/api/places/geojson', { body: JSON.parse(text) as never }))
    },
    onSuccess,
  })
  return { add, remove, load }
}
