import { QueryClient } from '@tanstack/react-query'

/** Lists are asked for anew whenever they are shown; without signal they say so at once instead of trying for a minute. */
export const queryClient = (): QueryClient =>
  new QueryClient({
    defaultOptions: { queries: { retry: false, networkMode: 'always', refetchOnWindowFocus: false } },
  })
