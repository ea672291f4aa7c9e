import { clippingsText, printedPlaces } from '@plumb-mark/core'
import { sendFile } from '../../data/api.js'
import { cutManual } from '../../data/workers/cut-manual.js'
import { digestOf } from '../../manuals/digest.js'

export interface KeptManual {
  digest: string
  clippings: string
}

/** Share of the work that is the cutting; the rest is sent. */
const CUTTING = 0.6

/** Cuts out the places that a sheet names, and keeps the manual and its cut-outs at the server, each under its digest. */
export async function keepManual(
  file: File,
  password: string | undefined,
  sheet: Record<string, unknown>,
  onPart: (part: number) => void,
): Promise<KeptManual> {
  const { terminals = [], requirements = [] } = sheet as Partial<Parameters<typeof printedPlaces>[0]>
  const places = printedPlaces({ terminals, requirements })
  const cut = await cutManual({ file, password, places }, (part) => onPart(CUTTING * part))
  const digest = await digestOf(file)
  const clippings = new Blob([clippingsText(digest, cut)], { type: 'application/json' })
  const named = await digestOf(clippings)
  await sendFile('PUT', `/api/clippings/${named}`, 'clippings', clippings, () => undefined)
  await sendFile('PUT', `/api/manuals/${digest}`, 'manual', file, (part) =>
    onPart(CUTTING + (1 - CUTTING) * part),
  )
  return { digest, clippings: named }
}
