import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { api, unwrap, type Schemas, type Sortie } from './client'
import { once } from './once'

export type Solo = Schemas['Solo']
export type FleetAircraft = Schemas['FleetAircraft']
export type BookingRules = Schemas['BookingRules']

export const useSolo = (student: string) =>
  useQuery({
    queryKey: ['solo', student],
    queryFn: () => unwrap(api.GET('/api/students/{id}/solo', { params: { path: { id: student } } })),
  })
export type NewAuthority = Omit<
  Solo['authorities'][number],
  'id' | 'exercise_titles' | 'aircraft' | 'by' | 'signed_at' | 'code' | 'state' | 'withdrawn_why'
> & { remark: string | null; despite: string | null }
export function useGiveSolo(student: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (body: NewAuthority) =>
      once('solo', [student, body], (id) =>
        unwrap(api.POST('/api/students/{id}/solo', { params: { path: { id: student } }, body: { id, ...body } })),
      ),
    onSuccess: (solo) => queries.setQueryData(['solo', student], solo),
  })
}
export function useWithdrawSolo(student: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({ id, reason }: { id: string; reason: string }) =>
      once('solo-withdrawal', [id, reason], (fresh) =>
        unwrap(
          api.POST('/api/solo-authorities/{id}/withdrawal', { params: { path: { id } }, body: { id: fresh, reason } }),
        ),
      ),
    onSuccess: (solo) => queries.setQueryData(['solo', student], solo),
  })
}

export const useSoloCard = (sortie: string, exercise: string, enabled: boolean) =>
  useQuery({
    queryKey: ['plan', sortie, exercise, 'solo-card'],
    queryFn: () =>
      unwrap(api.GET('/api/sorties/{id}/solo-card', { params: { path: { id: sortie }, query: { exercise } } })),
    enabled,
  })

export const useLog = (person: string) =>
  useQuery({
    queryKey: ['log', person],
    queryFn: () => unwrap(api.GET('/api/people/{id}/log', { params: { path: { id: person } } })),
  })
export const useFlightTime = (sortie: string, enabled: boolean) =>
  useQuery({
    queryKey: ['flight-time', sortie],
    queryFn: () => unwrap(api.GET('/api/sorties/{id}/flight-time', { params: { path: { id: sortie } } })),
    enabled,
  })
export function useCorrect(sortie: Sortie) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (body: {
      student_id?: string
      instructor_id?: string
      aircraft_id?: string
      starts_at?: string
      training_device?: boolean
      why?: string
    }) =>
      unwrap(
        api.PUT('/api/sorties/{id}/correction', {
          params: { path: { id: sortie.id }, header: { 'If-Match': `"${sortie.version}"` } },
          body,
        }),
      ),
    onSuccess: (now) => {
      queries.setQueryData(['sortie', now.id], now)
      for (const key of ['plan', 'attempts', 'student', 'students', 'today', 'log', 'board', 'recording'])
        void queries.invalidateQueries({ queryKey: [key] })
    },
  })
}

export const useFleet = () => useQuery({ queryKey: ['fleet'], queryFn: () => unwrap(api.GET('/api/fleet')) })
function useFleetChange<T>(change: (body: T) => Promise<FleetAircraft[]>) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: change,
    onSuccess: (fleet) => {
      queries.setQueryData(['fleet'], fleet)
      for (const key of ['aircraft', 'board', 'today']) void queries.invalidateQueries({ queryKey: [key] })
    },
  })
}
export const useAddAircraft = () =>
  useFleetChange(
    (body: {
      mark: string
      type_id: string
      hours_before?: number
      hours_since?: string | null
      dual_controls?: boolean
      recorder?: string | null
    }) => once('aircraft', body, (fresh) => unwrap(api.POST('/api/aircraft', { body: { id: fresh, ...body } }))),
  )
export const usePutAircraft = (id: string) =>
  useFleetChange((body: { state: 'flying' | 'grounded' | 'retired'; why: string }) =>
    unwrap(api.PUT('/api/aircraft/{id}/state', { params: { path: { id } }, body })),
  )
export const useAddMaintenance = (id: string) =>
  useFleetChange((body: { title: string; at_hours: number | null; on_day: string | null }) =>
    once('maintenance', [id, body], (fresh) =>
      unwrap(api.POST('/api/aircraft/{id}/maintenance', { params: { path: { id } }, body: { id: fresh, ...body } })),
    ),
  )
export const useDoneMaintenance = () =>
  useFleetChange(({ id, note }: { id: string; note: string }) =>
    unwrap(api.POST('/api/maintenance/{id}/done', { params: { path: { id } }, body: { note } })),
  )
export const useAddDefect = (aircraft: string, sortie?: string) =>
  useFleetChange((body: { text: string; grounds: boolean }) =>
    once('defect', [aircraft, body], (fresh) =>
      unwrap(
        api.POST('/api/aircraft/{id}/defects', {
          params: { path: { id: aircraft } },
          body: { id: fresh, ...body, sortie_id: sortie ?? null },
        }),
      ),
    ),
  )
export const useClearDefect = () =>
  useFleetChange(({ id, note }: { id: string; note: string }) =>
    unwrap(api.POST('/api/defects/{id}/clearance', { params: { path: { id } }, body: { note } })),
  )

export const useBookingRules = () =>
  useQuery({ queryKey: ['booking-rules'], queryFn: () => unwrap(api.GET('/api/booking-rules')) })
export function useSetBookingRules() {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (body: BookingRules) => unwrap(api.PUT('/api/booking-rules', { body })),
    onSuccess: (rules) => {
      queries.setQueryData(['booking-rules'], rules)
      for (const key of ['board', 'audit']) void queries.invalidateQueries({ queryKey: [key] })
    },
  })
}
