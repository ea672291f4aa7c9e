import type { ClauseHistory } from '@plumb-mark/core'
import { useResource } from './resource.js'

const NOTHING: ClauseHistory[] = []
const FRESH_MS = 600_000

/** How often each clause was judged and failed over all jobs; nothing without signal. */
export const useClauseHistory = (): ClauseHistory[] =>
  useResource<ClauseHistory[]>('/api/clauses', { freshMs: FRESH_MS }).value ?? NOTHING
