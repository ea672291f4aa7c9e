import { statedAbsences } from '@plumb-mark/core'
import { quiet, type Block } from '../block.js'
import { sayingOf, type ReportRecord } from '../record.js'

/** What somebody said is not there, or does not apply, and why: nobody looked further, and whoever signs answers for it too. */
export function stated({ inspection }: ReportRecord): Block[] {
  const said = statedAbsences(inspection)
  if (said.length === 0) return []
  const { when } = sayingOf(inspection)
  return [
    {
      kind: 'table',
      columns: [
        { head: 'check', share: 2 },
        { head: 'because', share: 2.6 },
        { head: 'said by', share: 1.6 },
      ],
      rows: said.map(({ title, place, reason, by, at }) => [
        `${title}, ${place}`,
        reason,
        quiet(`${by.name}, ${when(at)}`),
      ]),
    },
  ]
}
