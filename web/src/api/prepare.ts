import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { api, unwrap, type Schemas, type SortieChange } from './client'
import { kept } from './kept'

/** The weather station's report; `refresh` asks the station itself. */
export function useWeather() {
  const queries = useQueryClient()
  const query = useQuery({
    queryKey: ['weather'],
    queryFn: () => unwrap(api.GET('/api/weather')),
    refetchInterval: 300_000,
    retry: false,
  })
  const refresh = () =>
    void queries.fetchQuery({
      queryKey: ['weather'],
      queryFn: () => unwrap(api.GET('/api/weather', { params: { query: { refresh: 'true' } } })),
      staleTime: 0,
    })
  return { ...query, refresh }
}

/** Where a thousand landings end: asked again for each other day, read until the answer is whole. */
export function useDispersion(sortieId: string, exercise: string, changes: SortieChange, wanted: boolean) {
  const asked = useQuery({
    queryKey: ['dispersion', sortieId, exercise, changes],
    queryFn: () =>
      unwrap(
        api.POST('/api/sorties/{id}/dispersions', {
          params: { path: { id: sortieId }, query: { exercise } },
          body: changes,
        }),
      ),
    enabled: wanted,
    staleTime: Infinity,
    retry: false,
    placeholderData: keepPreviousData,
  })
  const id = asked.data?.id
  const read = useQuery({
    queryKey: ['dispersion', id],
    queryFn: () => unwrap(api.GET('/api/dispersions/{id}', { params: { path: { id: id ?? '' } } })),
    enabled: Boolean(id),
    refetchInterval: ({ state }) => (state.data?.status === 'ready' || state.data?.status === 'failed' ? false : 500),
    placeholderData: keepPreviousData,
  })
  return { data: read.data ?? asked.data, error: asked.error ?? read.error }
}

export const useCurves = (id: string, day: { elevation_ft: number; oat_c?: number; qnh_hpa?: number }) =>
  useQuery({
    queryKey: ['curves', id, day],
    queryFn: () => unwrap(api.GET('/api/types/{id}/curves', { params: { path: { id }, query: day } })),
    placeholderData: keepPreviousData,
  })

export const useFromHere = (id: string, exercise: string, version: number, heightFt: number, distanceFt: number) =>
  useQuery({
    queryKey: ['from-here', id, exercise, version, heightFt, distanceFt],
    queryFn: () =>
      unwrap(
        api.POST('/api/sorties/{id}/from-here', {
          params: { path: { id }, query: { exercise } },
          body: { height_ft: heightFt, distance_ft: distanceFt },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  })

export const usePowerCardOfTheDay = (id: string, exercise: string, version: number) =>
  useQuery({
    queryKey: ['sortie-power-card', id, exercise, version],
    placeholderData: keepPreviousData,
    queryFn: () => unwrap(api.GET('/api/sorties/{id}/power-card', { params: { path: { id }, query: { exercise } } })),
  })

export const useOwnHouse = (enabled: boolean) =>
  useQuery({ queryKey: ['own-house'], queryFn: () => unwrap(api.GET('/api/people/me/house')), enabled })

export function useChangeOwnHouse() {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (values: Schemas['HouseValues']) => unwrap(api.PUT('/api/people/me/house', { body: { values } })),
    onSuccess: (house) => {
      queries.setQueryData(['own-house'], house)
      void queries.invalidateQueries({ queryKey: ['plan'] })
    },
  })
}

/** One at a time: who asks for another day drops the question before. */
export const askPlan = (id: string, exercise: string, change: SortieChange) =>
  kept(['plan', id, exercise, change], (signal) =>
    unwrap(
      api.POST('/api/sorties/{id}/plan', {
        params: { path: { id }, query: { exercise } },
        body: change,
        ...(signal ? { signal } : {}),
      }),
    ),
  )

export const usePlan = (id: string, exercise: string, change: SortieChange) =>
  useQuery({
    queryKey: ['plan', id, exercise, change],
    queryFn: ({ signal }) => askPlan(id, exercise, change)({ signal }),
    placeholderData: keepPreviousData,
    retry: false,
    staleTime: 60_000,
  })
