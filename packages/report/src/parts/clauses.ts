import {
  clippingAt,
  sheetId,
  sheetName,
  type Clipping,
  type Inspection,
  type JudgedCheck,
} from '@plumb-mark/core'
import type { Block } from '../block.js'
import type { ReportRecord } from '../record.js'

/** Height of a cut-out on paper at most, points. */
const TALLEST = 190

/** What the makers' manuals say where something does not conform, is not proven, or was a defect: the cut-out of each place, once. */
export function clauses({ inspection, clippings }: ReportRecord): Block[] {
  if (!clippings) return []
  const shown = new Set<Clipping>()
  return inspection.checks
    .filter((judged) => isAsked(judged, inspection))
    .flatMap(({ check }): Block[] => {
      const digest = inspection.sheets.get(sheetId(check.sheet))?.manual?.clippings
      const file = digest === undefined ? undefined : clippings.get(digest)
      const clipping = file && check.requirement.printed && clippingAt(file, check.requirement.printed)
      if (!clipping || shown.has(clipping)) return []
      shown.add(clipping)
      const where = `${sheetName(check.sheet)}, clause ${check.requirement.clause}, page ${clipping.page}`
      return [
        {
          kind: 'together',
          blocks: [
            { kind: 'text', text: `${check.requirement.title}: ${where}` },
            { kind: 'image', data: clipping.picture, alt: where, height: TALLEST, wide: true },
          ],
        },
      ]
    })
}

const isAsked = ({ check, outcome }: JudgedCheck, { defects }: Inspection): boolean =>
  outcome.verdict === 'does-not-conform' ||
  outcome.verdict === 'not-proven' ||
  defects.some(({ checkId }) => checkId === check.id)
