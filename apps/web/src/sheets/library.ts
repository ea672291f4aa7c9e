import { useQueries } from '@tanstack/react-query'
import type { SheetInLibrary, SheetSummary } from '@plumb-mark/contract'
import type { Sheet, UnitKind } from '@plumb-mark/core'
import { get } from '../data/api.js'
import { useResource } from '../data/resource.js'
import { useSession } from '../data/session.js'

/** So many sheets of a kind say what is usual of it. */
const ENOUGH = 12

/** The library’s sheets of a kind of unit, the latest first; those that are not here yet are left out. */
export function useLibrarySheets(kind: UnitKind): Sheet[] {
  const person = useSession(({ person: one }) => one?.id)
  const { value: all = [] } = useResource<SheetSummary[]>('/api/sheets')
  const wanted = all
    .filter((sheet) => sheet.kind === kind && sheet.problem === undefined)
    .sort((a, b) => b.date.localeCompare(a.date))
    .slice(0, ENOUGH)
  return useQueries({
    queries: wanted.map(({ id }) => ({
      queryKey: [`/api/sheets/${id}`, person],
      queryFn: () => get<SheetInLibrary>(`/api/sheets/${id}`),
    })),
    combine: sheetsOf,
  })
}

const sheetsOf = (found: readonly { data: SheetInLibrary | undefined }[]): Sheet[] =>
  found.flatMap(({ data }) => (data ? [data.sheet] : []))
