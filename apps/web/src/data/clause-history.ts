import { useQuery } from '@tanstack/react-query'
import type { ClauseHistory } from '@plumb-mark/core'
import { get } from './api.js'

const NOTHING: ClauseHistory[] = []
const FRESH_MS = 600_000

/** How often each clause was judged and failed over all jobs; nothing without signal. */
export const useClauseHistory = (): ClauseHistory[] =>
  useQuery({
    queryKey: ['clauses'],
    queryFn: () => get<ClauseHistory[]>('/api/clauses'),
    staleTime: FRESH_MS,
  }).data ?? NOTHING
