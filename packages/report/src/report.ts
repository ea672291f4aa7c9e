import { attempt, type BadInput } from '@plumb-mark/core'
import type { Block, Part } from './block.js'
import { arrayMap, oneLine, walls } from './parts/drawn.js'
import { checks } from './parts/checks.js'
import { clauses } from './parts/clauses.js'
import { calculations, limits, signature } from './parts/closing.js'
import { defects, rework } from './parts/defects.js'
import { front } from './parts/front.js'
import { arithmetic, judgement } from './parts/judgement.js'
import { instrumentsUsed, people } from './parts/people.js'
import { remarks } from './parts/remarks.js'
import { stated } from './parts/stated.js'
import { summary } from './parts/summary.js'
import { system } from './parts/system.js'
import type { ReportRecord } from './record.js'
import { meterTests, settingTests, traceTests } from './measurements/answers.js'
import { cableTests } from './measurements/cables.js'
import { readingTests } from './measurements/readings.js'
import { stringTests } from './measurements/strings.js'

interface PartRow {
  title: string
  /** Is what it says too wide for the page as it stands? */
  turned?: (record: ReportRecord) => boolean
  ownPage?: true
  blocks: (record: ReportRecord) => Block[]
}

/** A few strings wrap within the upright page; with more of them their table turns it. */
const MOST_UPRIGHT = 8

/** The parts of a report, in the order in which an inspection of a PV system is asked for. Source: IEC 62446-1. */
const PARTS = {
  front: { title: 'Inspection report', blocks: front },
  summary: { title: 'Summary for the customer', ownPage: true, blocks: summary },
  rework: { title: 'Rework', ownPage: true, blocks: rework },
  defects: { title: 'Defects', ownPage: true, blocks: defects },
  system: { title: 'System data and documents', blocks: system },
  'one-line': { title: 'One-line diagram', blocks: oneLine },
  array: { title: 'Array map', blocks: arrayMap },
  walls: { title: 'Walls', blocks: walls },
  strings: {
    title: 'Test tables: strings',
    turned: ({ inspection }) => inspection.context.strings().length > MOST_UPRIGHT,
    blocks: ({ inspection }) => stringTests(inspection),
  },
  readings: {
    title: 'Test tables: terminals, earthing, voltages',
    blocks: ({ inspection }) => [...readingTests(inspection), ...cableTests(inspection)],
  },
  commissioning: {
    title: 'Test tables: meter and commissioning',
    blocks: ({ inspection }) => [
      ...meterTests(inspection),
      ...traceTests(inspection),
      ...settingTests(inspection),
    ],
  },
  checks: { title: 'Checks by stage', blocks: checks },
  judgement: { title: 'Notes of judgement', blocks: judgement },
  stated: { title: 'Said not to be there, or not to apply', blocks: stated },
  arithmetic: { title: 'Arithmetic of every check', blocks: arithmetic },
  clauses: { title: 'Clauses of the makers’ manuals', ownPage: true, blocks: clauses },
  calculations: { title: 'Calculations', blocks: calculations },
  instruments: { title: 'Instruments', blocks: instrumentsUsed },
  remarks: { title: 'Remarks of the reviewer', blocks: remarks },
  people: { title: 'People and times', blocks: people },
  limits: { title: 'Limits of this report, and cautions', blocks: limits },
  signature: { title: 'Signature', blocks: signature },
} as const satisfies Record<string, PartRow>

export type PartId = keyof typeof PARTS
export const PART_IDS = Object.keys(PARTS) as PartId[]
export const PART_TITLES = Object.fromEntries(PART_IDS.map((id) => [id, PARTS[id].title])) as Record<
  PartId,
  string
>

export const AUDIENCES = ['record', 'customer', 'network-operator', 'installer'] as const
export type Audience = (typeof AUDIENCES)[number]
export const AUDIENCE_WORDS = {
  record: 'the record',
  customer: 'the customer',
  'network-operator': 'the network operator',
  installer: 'the installer',
} satisfies Record<Audience, string>

/** Which parts go to whom, until the office says otherwise. The arithmetic of every check and the cut-outs of the manuals are long and asked for by few. */
export const USUAL_PARTS: Record<Audience, readonly PartId[]> = {
  record: PART_IDS.filter((id) => !['rework', 'arithmetic', 'clauses'].includes(id)),
  customer: ['front', 'summary', 'defects', 'system', 'array', 'strings', 'limits', 'signature'],
  'network-operator': [
    'front',
    'system',
    'one-line',
    'strings',
    'readings',
    'commissioning',
    'instruments',
    'limits',
    'signature',
  ],
  installer: ['rework'],
}

const cannotBeMade = ({ path, reason }: BadInput): Block => ({
  kind: 'text',
  as: 'danger',
  text: `This part cannot be made from what was entered: ${path} ${reason}.`,
})

/** The chosen parts of a report, as plain data; a part that has nothing to say is left out. */
export function reportOf(record: ReportRecord, parts: readonly PartId[]): Part[] {
  return PART_IDS.filter((id) => parts.includes(id)).flatMap((id): Part[] => {
    const { blocks, turned, ...part }: PartRow = PARTS[id]
    const made = attempt(() => ({ blocks: blocks(record), ...(turned?.(record) && { turned: true }) }))
    // Odd facts are judged as not proven; what cannot even be drawn from them says so in its place, and takes nothing else with it.
    const shown = made.ok ? made.value : { blocks: [cannotBeMade(made.problem)] }
    return shown.blocks.length === 0 ? [] : [{ id, ...part, ...shown }]
  })
}
