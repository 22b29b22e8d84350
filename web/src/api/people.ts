import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { api, unwrap, type Schemas } from './client'
import { once } from './once'
import { useFound, usePaged } from './paged'
import { begun } from './session'

export type Person = Schemas['Person']
export type Me = Schemas['Me']

export const usePeople = (find: string) =>
  useFound('people', find, (query) => unwrap(api.GET('/api/people', { params: { query } })))
export const usePerson = (id: string) =>
  useQuery({
    queryKey: ['person', id],
    queryFn: async () => {
      const { data, error, response } = await api.GET('/api/people/{id}', { params: { path: { id } } })
      const person = await unwrap(Promise.resolve({ data, error, response }))
      return { person, version: response.headers.get('etag') ?? '' }
    },
    enabled: id !== '',
  })
export const useDocumentKinds = () =>
  useQuery({ queryKey: ['document-kinds'], queryFn: () => unwrap(api.GET('/api/document-kinds')), staleTime: Infinity })
export const useAudit = () => usePaged(['audit'], (query) => unwrap(api.GET('/api/audit', { params: { query } })))

/** What changes somebody, and what is asked anew after it. */
function usePeopleChange<T, R>(change: (body: T) => Promise<R>) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: change,
    onSuccess: () => {
      for (const key of ['people', 'person', 'students', 'board', 'audit', 'solo'])
        void queries.invalidateQueries({ queryKey: [key] })
    },
  })
}

export type NewPerson = Pick<Person, 'name' | 'sign_in' | 'role' | 'mass_kg'> & Partial<Pick<Person, 'stage' | 'email'>>
export const useAddPerson = () =>
  usePeopleChange(({ stage, ...body }: NewPerson) =>
    once('person', [body, stage], (id) =>
      unwrap(api.POST('/api/people', { body: { id, ...body, ...(stage ? { stage } : {}) } })),
    ),
  )
export const useChangePerson = (id: string, version: string) =>
  usePeopleChange((body: Partial<NewPerson> & { why?: string }) =>
    unwrap(api.PATCH('/api/people/{id}', { params: { path: { id }, header: { 'If-Match': version } }, body })),
  )
export const usePutState = (id: string) =>
  usePeopleChange((body: { state: 'active' | 'suspended' | 'left'; why: string }) =>
    unwrap(api.PUT('/api/people/{id}/state', { params: { path: { id } }, body })),
  )
export const useEndSecondFactorOf = (id: string) =>
  usePeopleChange((why: string) =>
    unwrap(api.DELETE('/api/people/{id}/second-factor', { params: { path: { id } }, body: { why } })),
  )
export const useForget = (id: string) =>
  usePeopleChange((why: string) =>
    unwrap(api.POST('/api/people/{id}/forgetting', { params: { path: { id } }, body: { why } })),
  )
export const useInvite = (id: string) =>
  usePeopleChange(() => unwrap(api.POST('/api/people/{id}/invitation', { params: { path: { id } } })))
export type NewDocument = {
  kind: string
  type_id: string | null
  reference: string | null
  valid_from: string | null
  valid_until: string | null
}
export const useAddDocument = (id: string) =>
  usePeopleChange((body: NewDocument) =>
    once('document', [id, body], (fresh) =>
      unwrap(api.POST('/api/people/{id}/documents', { params: { path: { id } }, body: { id: fresh, ...body } })),
    ),
  )
export const useWithdrawDocument = () =>
  usePeopleChange((id: string) => unwrap(api.DELETE('/api/documents/{id}', { params: { path: { id } } })))
export const useImportPeople = () =>
  usePeopleChange((body: { csv: string; store: boolean }) => unwrap(api.POST('/api/people-list', { body })))

export const useMe = () => useQuery({ queryKey: ['me'], queryFn: () => unwrap(api.GET('/api/me')) })
function useMeChange<T>(change: (body: T) => Promise<Me>) {
  const queries = useQueryClient()
  return useMutation({ mutationFn: change, onSuccess: (me) => queries.setQueryData(['me'], me) })
}
export function useChangeMe() {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (body: { email?: string | null; mass_kg?: number; units?: Record<string, string> }) =>
      unwrap(api.PATCH('/api/me', { body })),
    onSuccess: (me) => {
      queries.setQueryData(['me'], me)
      void queries.invalidateQueries({ queryKey: ['session'] })
    },
  })
}
export const useChangePassword = () =>
  useMeChange((body: { old: string; new: string }) => unwrap(api.PUT('/api/me/password', { body })))
export const useEndSession = () =>
  useMeChange((id: string) => unwrap(api.DELETE('/api/me/sessions/{id}', { params: { path: { id } } })))
export const useEndSecondFactor = () =>
  useMeChange((password: string) => unwrap(api.DELETE('/api/me/second-factor', { body: { password } })))
export const useBeginSecondFactor = () => useMutation({ mutationFn: () => unwrap(api.POST('/api/me/second-factor')) })
export const useProveSecondFactor = () =>
  useMutation({ mutationFn: (code: string) => unwrap(api.PUT('/api/me/second-factor', { body: { code } })) })

export type NewSchool = Schemas['NewSchool']
export function useSetUp() {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (body: {
      code?: string
      school: NewSchool
      chief: Schemas['NewChief']
      aircraft?: Schemas['NewAircraft']
    }) => unwrap(api.POST('/api/set-up', { body })),
    onSuccess: (session) => begun(queries, session),
  })
}
export const useInvitation = (word: string) =>
  useQuery({
    queryKey: ['invitation', word],
    queryFn: () => unwrap(api.GET('/api/invitations/{word}', { params: { path: { word } } })),
    retry: false,
  })
export function useAccept(word: string) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (password: string) =>
      unwrap(api.POST('/api/invitations/{word}', { params: { path: { word } }, body: { password } })),
    onSuccess: (session) => begun(queries, session),
  })
}
