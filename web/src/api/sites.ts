import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { api, sendFile, unwrap, type Schemas } from './client'
import { once } from './once'
import { kept } from './kept'

export type Site = Schemas['Site']
export type SiteDocument = Schemas['SiteDocument']
export type SiteFeature = Schemas['SiteFeature']
export type SiteQuestion = Schemas['SiteQuestion']
export type SiteReport = Schemas['SiteReport']
export type SitePicture = Schemas['SitePicture']
export type SiteNumber = Schemas['SiteNumber']

export const useSites = () =>
  useQuery({ queryKey: ['sites'], queryFn: kept(['sites'], () => unwrap(api.GET('/api/sites'))) })

export const askSite = (id: string) =>
  kept(['site', id], () => unwrap(api.GET('/api/sites/{id}', { params: { path: { id } } })))

export const useSite = (id: string) =>
  useQuery({
    queryKey: ['site', id],
    queryFn: askSite(id),
    enabled: id !== '',
  })

export const askReport = (id: string, question: SiteQuestion) =>
  kept(['site-report', id, question], () =>
    unwrap(api.POST('/api/sites/{id}/report', { params: { path: { id } }, body: question })),
  )

/** What an exercise's site asks for on the lesson's day: start, break-off, where lift is felt. */
export const askSiteGates = (exercise: string) =>
  kept(['site-gates', exercise], () =>
    unwrap(api.GET('/api/exercises/{id}/site', { params: { path: { id: exercise } } })),
  )

export const useSiteGates = (exercise: string, enabled: boolean) =>
  useQuery({ queryKey: ['site-gates', exercise], queryFn: askSiteGates(exercise), enabled, staleTime: 60_000 })

/** What is computed for a day; a draft is tried before it is kept. */
export const useSiteReport = (id: string, question: SiteQuestion, wanted: boolean) =>
  useQuery({
    queryKey: ['site-report', id, question],
    queryFn: askReport(id, question),
    enabled: wanted,
    placeholderData: keepPreviousData,
    retry: false,
    staleTime: 60_000,
  })

export const useProposals = (id: string, question: SiteQuestion, wanted: boolean) =>
  useQuery({
    queryKey: ['site-proposals', id, question],
    queryFn: () => unwrap(api.POST('/api/sites/{id}/proposals', { params: { path: { id } }, body: question })),
    enabled: wanted,
    retry: false,
  })

export function useAddSite() {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (document: SiteDocument) =>
      once('site', document, (fresh) => unwrap(api.POST('/api/sites', { body: { id: fresh, document } }))),
    onSuccess: (site) => {
      queries.setQueryData(['site', site.id], site)
      void queries.invalidateQueries({ queryKey: ['sites'] })
    },
  })
}

export function useChangeSite(id: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({ document, version }: { document: SiteDocument; version: number }) =>
      unwrap(
        api.PUT('/api/sites/{id}', {
          params: { path: { id }, header: { 'If-Match': `"${version}"` } },
          body: { document },
        }),
      ),
    onSuccess: (site) => {
      queries.setQueryData(['site', id], site)
      void queries.invalidateQueries({ queryKey: ['sites'] })
      void queries.invalidateQueries({ queryKey: ['site-report', id] })
    },
  })
}

export const useNeighbours = (id: string) =>
  useQuery({
    queryKey: ['site-neighbours', id],
    queryFn: () => unwrap(api.GET('/api/sites/{id}/neighbours', { params: { path: { id } } })),
    staleTime: 60_000,
  })

/** Keeps a power check flown there; what is computed of the site rests on it from then on. */
export function useKeepCheck(id: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (question: SiteQuestion) =>
      once('power-check', [id, question], (fresh) =>
        unwrap(
          api.POST('/api/sites/{id}/power-checks', {
            params: { path: { id } },
            body: { id: fresh, at: question.at ?? new Date().toISOString(), question },
          }),
        ),
      ),
    onSuccess: (site) => {
      queries.setQueryData(['site', id], site)
      void queries.invalidateQueries({ queryKey: ['site-report', id] })
    },
  })
}

export function useAskForSurvey(id: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (student_id: string) =>
      unwrap(api.POST('/api/sites/{id}/surveys', { params: { path: { id } }, body: { student_id } })),
    onSuccess: (site) => queries.setQueryData(['site', id], site),
  })
}

export const useSurvey = (id: string | null) =>
  useQuery({
    queryKey: ['site-survey', id],
    queryFn: () => unwrap(api.GET('/api/site-surveys/{id}', { params: { path: { id: id ?? '' } } })),
    enabled: id !== null,
  })

export function useChangeSurvey(id: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (change: { features: SiteFeature[]; hand_in?: boolean; version: number }) =>
      unwrap(
        api.PUT('/api/site-surveys/{id}', {
          params: { path: { id }, header: { 'If-Match': `"${change.version}"` } },
          body: { features: change.features, ...(change.hand_in ? { hand_in: true } : {}) },
        }),
      ),
    onSuccess: (survey) => {
      queries.setQueryData(['site-survey', id], survey)
      void queries.invalidateQueries({ queryKey: ['site', survey.site_id] })
      void queries.invalidateQueries({ queryKey: ['sites'] })
    },
  })
}

export function useGradeSurvey(id: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (body: { level: number; note?: string }) =>
      unwrap(api.POST('/api/site-surveys/{id}/grade', { params: { path: { id } }, body })),
    onSuccess: (survey) => {
      queries.setQueryData(['site-survey', id], survey)
      void queries.invalidateQueries({ queryKey: ['site', survey.site_id] })
    },
  })
}

export const useTerrain = () =>
  useQuery({ queryKey: ['terrain'], queryFn: () => unwrap(api.GET('/api/terrain')), staleTime: 60_000 })

/** What is computed of sites changes with the ground under their lines. */
function useTerrainChange<T>(mutationFn: (given: T) => Promise<Schemas['TerrainLine'][]>) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn,
    onSuccess: (grids) => {
      queries.setQueryData(['terrain'], grids)
      void queries.invalidateQueries({ queryKey: ['site-report'] })
    },
  })
}

export const useAddTerrain = () =>
  useTerrainChange((file: File) => sendFile<Schemas['TerrainLine'][]>('/api/terrain', file))

export const useRemoveTerrain = () =>
  useTerrainChange((id: string) => unwrap(api.DELETE('/api/terrain/{id}', { params: { path: { id } } })))

/** An exercise led to a site, along one of its lines; its plan is asked anew. */
export function useLeadToSite(sortieId: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: ({ exerciseId, body }: { exerciseId: string; body: { site_id: string | null; line?: string } }) =>
      unwrap(api.PUT('/api/exercises/{id}/site', { params: { path: { id: exerciseId } }, body })),
    onSuccess: (sortie) => {
      queries.removeQueries({ queryKey: ['plan', sortieId] })
      queries.setQueryData(['sortie', sortieId], sortie)
    },
  })
}
