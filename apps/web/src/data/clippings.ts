import { useMemo } from 'react'
import { useQueries, useQuery } from '@tanstack/react-query'
import { clippingAt, readClippings, type Clipping, type Clippings, type PlaceInManual, type Sheet } from '@plumb-mark/core'
import { getFile } from './api.js'

/** Under its digest a file of cut-outs never changes; the service worker keeps it for work without signal. */
const asked = (digest: string) => ({
  queryKey: ['clippings', digest],
  queryFn: async () => readClippings(await (await getFile(`/api/clippings/${digest}`)).content.text()),
  staleTime: Infinity,
})

/** The cut-out of a place of a manual: undefined while it is not here, or none was made. */
export function useClipping(
  digest: string | undefined,
  place: PlaceInManual | undefined,
): Clipping | undefined {
  const { data } = useQuery({ ...asked(digest ?? ''), enabled: digest !== undefined && place !== undefined })
  return data && place && clippingAt(data, place)
}

/** The cut-outs that sheets name, each file by its digest, as far as they are here. Asked for while there is signal, they are here without it. */
export function useClippingFiles(sheets: Iterable<Sheet>): ReadonlyMap<string, Clippings> {
  const digests = [...sheets].flatMap(({ manual }) => (manual?.clippings ? [manual.clippings] : []))
  const wanted = [...new Set(digests)]
  const files = useQueries({ queries: wanted.map(asked), combine: dataOf })
  const names = wanted.join()
  return useMemo(
    () => new Map(files.map((file, i) => [names.split(',')[i]!, file] as const).filter(isHere)),
    [names, files],
  )
}

const dataOf = (found: readonly { data: Clippings | undefined }[]) => found.map(({ data }) => data)
const isHere = (one: readonly [string, Clippings | undefined]): one is [string, Clippings] =>
  one[1] !== undefined
