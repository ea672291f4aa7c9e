import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query'
import { useCallback } from 'react'
import { get } from './api.js'
import { useSession } from './session.js'

interface Wish {
  /** The page of before stays on screen until the next one is here. */
  keepsPrevious?: boolean
  /** For how long it is not asked for again, ms. */
  freshMs?: number
}

/**
 * What the server has at an address: undefined until it answers, and why it did not; what was read before stays while a later try fails.
 * `reload` asks again. Everything that a screen reads from the server comes this way, so that two who ask for the same share one answer.
 * Without an address nothing is asked.
 */
export function useResource<T>(
  address: string | undefined,
  { keepsPrevious = false, freshMs = 0 }: Wish = {},
): { value: T | undefined; problem: string; reload: () => Promise<void> } {
  const client = useQueryClient()
  const person = useSession((session) => session.person?.id)
  const { data, error } = useQuery({
    // Nothing that one person read is shown to the next on the same device.
    queryKey: [address, person],
    queryFn: () => get<T>(address!),
    enabled: address !== undefined,
    staleTime: freshMs,
    ...(keepsPrevious && { placeholderData: keepPreviousData }),
  })
  const reload = useCallback(
    () => client.refetchQueries({ queryKey: [address, person] }, { throwOnError: false }),
    [client, address, person],
  )
  return { value: data, problem: error?.message ?? '', reload }
}

/** Asks again for whatever is shown of these addresses, or of what lies beneath them. */
export const useReload = (): ((...addresses: string[]) => Promise<void>) => {
  const client = useQueryClient()
  return useCallback(
    (...addresses) =>
      client.invalidateQueries({
        predicate: ({ queryKey: [asked] }) => addresses.some((one) => isAt(asked, one)),
      }),
    [client],
  )
}

const isAt = (asked: unknown, address: string): boolean =>
  typeof asked === 'string' && (asked === address || ['/', '?'].some((next) => asked.startsWith(address + next)))
