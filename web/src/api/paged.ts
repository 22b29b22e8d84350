import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query'

interface Page<Item> {
  items: Item[]
  following: string | null
}
export interface Asked {
  after?: string
  find?: string
}

/** A list a page after the other, of those whose name has a part; what is shown stays until what is wanted is there. */
export const usePaged = <Item, Read extends Page<Item>>(
  name: string,
  find: string,
  read: (asked: Asked) => Promise<Read>,
) =>
  useInfiniteQuery({
    queryKey: [name, find],
    queryFn: ({ pageParam }) => read({ ...(find && { find }), ...pageParam }),
    initialPageParam: {},
    getNextPageParam: ({ following }): Asked | undefined => (following ? { after: following } : undefined),
    placeholderData: keepPreviousData,
  })
