import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { api, unwrap, type Schemas } from './client'
import { once } from './once'

export type Board = Schemas['Board']
export type Booking = Schemas['Booking']
export type Clash = Schemas['Clash']
export interface Wanted {
  kind: Booking['kind']
  student_id: string
  instructor_id: string
  examiner_id: string | null
  aircraft_id: string
  from_at: string
  to_at: string
  note: string | null
  despite: string | null
}

export const useBoard = (from: string, days: number) =>
  useQuery({
    queryKey: ['board', from, days],
    queryFn: () => unwrap(api.GET('/api/bookings', { params: { query: { from, days } } })),
    placeholderData: (before) => before,
  })

/** What would stand against it; asked when all of it is known. */
export const useLook = (wanted: Wanted | undefined, id?: string) =>
  useQuery({
    queryKey: ['board', 'look', wanted, id],
    queryFn: ({ signal }) =>
      unwrap(api.POST('/api/bookings/look', { body: { ...(wanted as Wanted), ...(id ? { id } : {}) }, signal })),
    enabled: wanted !== undefined,
    retry: false,
  })

function useBoardChange<T, R>(change: (body: T) => Promise<R>) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: change,
    onSuccess: () => {
      for (const key of ['board', 'today']) void queries.invalidateQueries({ queryKey: [key] })
    },
  })
}

export const useBook = () =>
  useBoardChange(({ id: given, ...body }: Wanted & { id?: string; weeks?: number }) =>
    once('booking', body, (fresh) => unwrap(api.POST('/api/bookings', { body: { id: given ?? fresh, ...body } }))),
  )
export const useMoveBooking = () =>
  useBoardChange(({ id, version, ...body }: Partial<Wanted> & { id: string; version: number }) =>
    unwrap(api.PATCH('/api/bookings/{id}', { params: { path: { id }, header: { 'If-Match': `"${version}"` } }, body })),
  )
export const useCancelBooking = () =>
  useBoardChange(({ id, why }: { id: string; why: string }) =>
    unwrap(api.POST('/api/bookings/{id}/cancellation', { params: { path: { id } }, body: { why } })),
  )
export const useMakeLesson = () =>
  useBoardChange((id: string) => unwrap(api.POST('/api/bookings/{id}/lesson', { params: { path: { id } } })))
export const useSaid = () =>
  useMutation({ mutationFn: (text: string) => unwrap(api.POST('/api/bookings/said', { body: { text } })) })
export const useAddWait = () =>
  useBoardChange(
    (body: {
      student_id: string
      instructor_id: string | null
      from_on: string
      until_on: string
      note: string | null
    }) => once('wait', body, (fresh) => unwrap(api.POST('/api/waits', { body: { id: fresh, ...body } }))),
  )
export const useDropWait = () =>
  useBoardChange((id: string) => unwrap(api.DELETE('/api/waits/{id}', { params: { path: { id } } })))
export const useAddAbsence = () =>
  useBoardChange((body: { person_id: string; from_at: string; to_at: string; words: string }) =>
    once('absence', body, (fresh) => unwrap(api.POST('/api/absences', { body: { id: fresh, ...body } }))),
  )
export const useDropAbsence = () =>
  useBoardChange((id: string) => unwrap(api.DELETE('/api/absences/{id}', { params: { path: { id } } })))
