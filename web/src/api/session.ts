import { useMutation, useQuery, useQueryClient, type Query, type QueryClient } from '@tanstack/react-query'
import { api, keepToken, NoConnection, Refusal, unwrap, type Session } from './client'
import { askedAgain, forgetAnswers, keepAnswer, keepFor, kept, oldSince } from './kept'
import { forgetTyped } from './typed'

/** Who is signed in on this device: asked, begun, ended, and found out to have ended. */
const KEY = ['session']

/** Who is here is kept for a start without a network, before anybody is known. */
const NOBODYS = ''

export const useSession = () =>
  useQuery({
    queryKey: KEY,
    queryFn: async () => {
      const session = await kept(
        KEY,
        () => unwrap(api.GET('/api/session')),
        () => NOBODYS,
      )()
      keepToken(session.csrf_token)
      // Nobody: the session has ended, and what is kept stays that of whoever signs in again.
      if (session.person) await keepFor(session.person.id)
      return session
    },
    staleTime: Infinity,
    // Who was here last, by the device, stands only until Fujin says.
    refetchInterval: ({ state }) =>
      askedAgain(state.error instanceof NoConnection || oldSince(KEY, NOBODYS) !== undefined),
  })

/** Fujin does not know who asks: the session has ended, and who is here is asked anew. */
export function askWhoIsHere(queries: QueryClient, error: Error) {
  const known = queries.getQueryData<Session>(KEY)?.person
  if (known && error instanceof Refusal && error.status === 401) void queries.invalidateQueries({ queryKey: KEY })
}

export function useSignIn() {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: (body: { sign_in: string; password: string; code?: string }) =>
      unwrap(api.POST('/api/session', { body })),
    onSuccess: (session) => begun(queries, session),
  })
}

/** Somebody has come in: nothing of anybody else before them stays on screen; their own is asked for again. */
export async function begun(queries: QueryClient, session: Session) {
  keepToken(session.csrf_token)
  const again = await keepFor(session.person?.id ?? NOBODYS)
  await keepAnswer(KEY, session, NOBODYS)
  const others = { predicate: (query: Query) => query.queryKey[0] !== KEY[0] }
  if (!again) queries.removeQueries(others)
  queries.setQueryData(KEY, session)
  if (again) await queries.invalidateQueries(others)
}

export function useSignOut() {
  return useMutation({
    mutationFn: () => unwrap(api.DELETE('/api/session')),
    onSuccess: async () => {
      await forgetAnswers()
      forgetTyped()
      window.location.assign('/')
    },
  })
}
