import { useEffect } from 'react'
import { queryOptions, useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query'
import { api, sendFile, unwrap, type Attempt, type PathPoint, type Schemas } from './client'
import { once } from './once'

export const attemptsOf = (sortieId: string) =>
  queryOptions({
    queryKey: ['attempts', sortieId],
    queryFn: () => unwrap(api.GET('/api/sorties/{id}/attempts', { params: { path: { id: sortieId } } })),
  })
export const useAttempts = (sortieId: string) => useQuery(attemptsOf(sortieId))

/** Each with its measures; of a lesson of many that is much. */
export const useMeasuredAttempts = (sortieId: string) =>
  useQuery({
    queryKey: ['attempts', sortieId, 'measured'],
    queryFn: () =>
      unwrap(
        api.GET('/api/sorties/{id}/attempts', { params: { path: { id: sortieId }, query: { with: 'measures' } } }),
      ),
  })

/** What changes one of a lesson's attempts asks for it anew. */
const attemptOf = (sortieId: string, id: string) =>
  queryOptions({
    queryKey: ['attempts', sortieId, id],
    queryFn: () => unwrap(api.GET('/api/attempts/{id}', { params: { path: { id } } })),
  })
export const useMeasured = (attempt: Attempt) => useQuery(attemptOf(attempt.sortie_id, attempt.id))

const stripsOf = (id: string) =>
  queryOptions({
    queryKey: ['strips', id],
    queryFn: () => unwrap(api.GET('/api/attempts/{id}/strips', { params: { path: { id }, query: { bins: 700 } } })),
    staleTime: 600_000,
  })

export const useStrips = (attemptId: string | undefined) =>
  useQuery({ ...stripsOf(attemptId ?? ''), enabled: attemptId !== undefined })

const hex = (number: number) => number.toString(16).padStart(2, '0')

export function useAddGrades(sortieId: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({ attemptId, grades }: { attemptId: string; grades: Omit<Schemas['NewGrade'], 'id'>[] }) =>
      once('grades', [attemptId, grades], (id) =>
        unwrap(
          api.POST('/api/attempts/{id}/grades', {
            params: { path: { id: attemptId } },
            // Each has an id of its own, made of the form's.
            body: { grades: grades.map((grade, i) => ({ ...grade, id: id.slice(0, -2) + hex(i) })) },
          }),
        ),
      ),
    onSuccess: (_, { attemptId }) => {
      void queries.invalidateQueries({ queryKey: ['attempts', sortieId] })
      void queries.invalidateQueries({ queryKey: ['sortie', sortieId] })
      void queries.invalidateQueries({ queryKey: ['student'] })
      // Who has said their own word sees all of it.
      void queries.invalidateQueries({ queryKey: ['attempt-pictures', attemptId] })
    },
  })
}

/** The fault that was played, or that the candidate found; no fault is none. */
export function useCallFault(sortieId: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({
      attemptId,
      ...call
    }: {
      attemptId: string
      kind: 'played' | 'named'
      fault: string | null
      cue?: string
    }) =>
      once('fault-call', [attemptId, call], (fresh) =>
        unwrap(
          api.POST('/api/attempts/{id}/fault-calls', {
            params: { path: { id: attemptId } },
            body: { ...call, id: fresh },
          }),
        ),
      ),
    onSuccess: (_, { attemptId }) => {
      void queries.invalidateQueries({ queryKey: ['attempts', sortieId] })
      void queries.invalidateQueries({ queryKey: ['attempt-pictures', attemptId] })
    },
  })
}

type CutPhases = Schemas['Cut']['phases']

/** Sets kind and boundaries; everything that was measured of the attempt is asked for again. */
export function useCutAttempt(sortieId: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({ id, ...body }: { id: string; manoeuvre: string; phases?: CutPhases }) =>
      unwrap(api.PUT('/api/attempts/{id}/cut', { params: { path: { id } }, body })),
    onSuccess: (attempt) => cutAnew(queries, sortieId, attempt.id),
  })
}

const cutAnew = (queries: QueryClient, sortieId: string, attemptId: string) => {
  for (const key of ['attempts', 'sortie']) void queries.invalidateQueries({ queryKey: [key, sortieId] })
  for (const key of ['attempt-pictures', 'attempt-path', 'one-change', 'strips'])
    void queries.invalidateQueries({ queryKey: [key, attemptId] })
}

/** What comes after a moment becomes an attempt of its own. */
export function useSplitAttempt(sortieId: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({ id, at_s }: { id: string; at_s: number }) =>
      once('split', [id, at_s], (fresh) =>
        unwrap(api.POST('/api/attempts/{id}/split', { params: { path: { id } }, body: { id: fresh, at_s } })),
      ),
    onSuccess: (_, { id }) => cutAnew(queries, sortieId, id),
  })
}

/** An attempt runs on to the end of a later one. */
export function useJoinAttempts(sortieId: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({ id, later }: { id: string; later: string }) =>
      unwrap(api.POST('/api/attempts/{id}/join', { params: { path: { id } }, body: { with: later } })),
    onSuccess: (attempt) => cutAnew(queries, sortieId, attempt.id),
  })
}

export function useAddAttempt(sortieId: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({ recordingId, ...body }: { recordingId: string; manoeuvre: string; start_s: number }) =>
      once('attempt', [recordingId, body], (fresh) =>
        unwrap(
          api.POST('/api/recordings/{id}/attempts', {
            params: { path: { id: recordingId } },
            body: { ...body, id: fresh },
          }),
        ),
      ),
    onSuccess: () => {
      for (const key of ['attempts', 'sortie']) void queries.invalidateQueries({ queryKey: [key, sortieId] })
    },
  })
}

export function useVoidAttempt(sortieId: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({ attemptId, counts, reason }: { attemptId: string; counts: boolean; reason?: string }) =>
      unwrap(
        api.PUT('/api/attempts/{id}/void', {
          params: { path: { id: attemptId } },
          body: { counts, reason: reason ?? '' },
        }),
      ),
    onSuccess: () => void queries.invalidateQueries({ queryKey: ['attempts', sortieId] }),
  })
}

interface HowFlown {
  manner: Schemas['Manner']
  task: Schemas['Task']
  throttle_by?: Schemas['ThrottleBy']
}

export function useTellManner(sortieId: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({ attemptId, ...body }: { attemptId: string } & HowFlown) =>
      unwrap(api.PUT('/api/attempts/{id}/manner', { params: { path: { id: attemptId } }, body })),
    onSuccess: () => void queries.invalidateQueries({ queryKey: ['attempts', sortieId] }),
  })
}

/** Follows an import until it is ready or has failed. */
export function useRecording(id: string | undefined) {
  return useQuery({
    queryKey: ['recording', id],
    queryFn: () => unwrap(api.GET('/api/recordings/{id}', { params: { path: { id: id ?? '' } } })),
    enabled: id !== undefined,
    refetchInterval: (query) => (['ready', 'failed'].includes(query.state.data?.status ?? '') ? false : 350),
  })
}

export const useWholeFlight = (recordingId: string, wanted: boolean) =>
  useQuery({
    queryKey: ['whole-flight', recordingId],
    queryFn: () => unwrap(api.GET('/api/recordings/{id}/series', { params: { path: { id: recordingId } } })),
    enabled: wanted,
  })

/** What was read ahead is good for so long. */
const AHEAD_MS = 30_000
const NO_PATH: PathPoint[] = []
const pathOf = (id: string) =>
  queryOptions({
    queryKey: ['attempt-path', id],
    queryFn: () => unwrap(api.GET('/api/attempts/{id}/path', { params: { path: { id } } })),
    staleTime: AHEAD_MS,
  })

/** Where an attempt flew; empty until it is read. */
export const useFlownPath = (id: string | undefined): PathPoint[] =>
  useQuery({ ...pathOf(id ?? ''), enabled: id !== undefined }).data?.points ?? NO_PATH

const picturesOf = (id: string) =>
  queryOptions({
    queryKey: ['attempt-pictures', id],
    queryFn: () => unwrap(api.GET('/api/attempts/{id}/pictures', { params: { path: { id } } })),
    staleTime: AHEAD_MS,
  })

export const useAttemptPictures = (id: string) => useQuery(picturesOf(id))

/** What the next attempt shows is read before it is asked for, once this one stands there. */
export function useReadAhead(sortieId: string, id: string | undefined) {
  const queries = useQueryClient()
  useEffect(() => {
    if (id === undefined) return
    void queries.prefetchQuery({ ...attemptOf(sortieId, id), staleTime: AHEAD_MS })
    void queries.prefetchQuery(stripsOf(id))
    void queries.prefetchQuery(pathOf(id))
    void queries.prefetchQuery(picturesOf(id))
  }, [id, queries, sortieId])
}

export const useOneChange = (id: string, enabled: boolean) =>
  useQuery({
    queryKey: ['one-change', id],
    queryFn: () => unwrap(api.GET('/api/attempts/{id}/one-change', { params: { path: { id } } })),
    enabled,
    retry: false,
    staleTime: Infinity,
  })

export const tellHeadings = (id: string, columns: { heading: string; channel: string; unit: string }[]) =>
  unwrap(api.PUT('/api/recordings/{id}/headings', { params: { path: { id } }, body: { columns } }))

export const uploadRecording = (sortieId: string, file: File) =>
  sendFile<Schemas['Recording']>(`/api/sorties/${sortieId}/recordings`, file)

export const fetchFromRecorder = (sortieId: string) =>
  once('from-recorder', sortieId, (fresh) =>
    unwrap(
      api.POST('/api/sorties/{id}/recordings/from-recorder', {
        params: { path: { id: sortieId } },
        body: { id: fresh },
      }),
    ),
  )

/** Records the flight as it is flown. */
export const recordLive = (sortieId: string) =>
  once('live', sortieId, (fresh) =>
    unwrap(api.POST('/api/sorties/{id}/recordings/live', { params: { path: { id: sortieId } }, body: { id: fresh } })),
  )

export const stopRecording = (id: string) => unwrap(api.POST('/api/recordings/{id}/stop', { params: { path: { id } } }))
