import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query'

interface Page {
  following: string | null
}
interface Asked {
  after?: string
}

/** Something that is read a page after the other. */
export const usePaged = <Read extends Page>(
  key: readonly string[],
  read: (asked: Asked) => Promise<Read>,
  meanwhile?: typeof keepPreviousData,
) =>
  useInfiniteQuery({
    queryKey: key,
    queryFn: ({ pageParam }) => read(pageParam),
    initialPageParam: {},
    getNextPageParam: ({ following }): Asked | undefined => (following ? { after: following } : undefined),
    placeholderData: meanwhile,
  })

/** A list of those whose name has a part; what is shown stays until what is wanted is there. */
export const useFound = <Read extends Page>(
  name: string,
  find: string,
  read: (asked: Asked & { find?: string }) => Promise<Read>,
) => usePaged([name, find], (asked) => read({ ...(find && { find }), ...asked }), keepPreviousData)
