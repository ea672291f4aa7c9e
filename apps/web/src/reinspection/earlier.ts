import { useQuery } from '@tanstack/react-query'
import type { JobBundle } from '@plumb-mark/contract'
import { fold, inspect, sheetsById, type Inspection } from '@plumb-mark/core'
import { get } from '../data/api.js'

export interface Earlier {
  jobId: string
  number: string
  inspection: Inspection
  signedAt: string | undefined
}

/** As far back as anybody looks. */
const MOST = 12

/** The inspections of the same installation before, the latest first. */
export function useEarlier(first: string | undefined) {
  return useQuery({
    queryKey: ['earlier', first],
    enabled: first !== undefined,
    staleTime: 5 * 60_000,
    queryFn: async () => {
      const found: Earlier[] = []
      let next = first
      while (next !== undefined && found.length < MOST && !found.some(({ jobId }) => jobId === next)) {
        const { entries, sheets }: JobBundle = await get<JobBundle>(`/api/jobs/${next}`)
        const inspection = inspect(fold(entries), sheetsById(sheets))
        const { header, seal } = inspection.state
        found.push({ jobId: next, number: header?.number ?? '', inspection, signedAt: seal?.at })
        next = header?.again?.jobId
      }
      return found
    },
  })
}
