import { inForce, madeVoid, type Inspection, type JudgedCheck, type KindName } from '@plumb-mark/core'
import { beside, quiet, type Block, type Cell } from '../block.js'
import { sayingOf, type ReportRecord, type Saying } from '../record.js'

/**
 * Notes of judgement: the arithmetic of what does not conform or is not proven, what inspectors noted beside their answers, and what people
 * who worked apart made void of each other's work.
 */
export function judgement({ inspection }: ReportRecord): Block[] {
  const saying = sayingOf(inspection)
  const rows = inspection.checks.filter(doubtful).map((judged) => rowOf(judged, saying))
  return [...workingTable(rows), ...notes(inspection, saying), ...withoutEffect(inspection, saying)]
}

/** The arithmetic of every check, to be followed with a pencil. */
export function arithmetic({ inspection }: ReportRecord): Block[] {
  const saying = sayingOf(inspection)
  return workingTable(
    inspection.checks
      .filter(({ check, outcome }) => 'working' in outcome && check.ask.kind !== 'observation')
      .map((judged) => rowOf(judged, saying)),
  )
}

const MOST_CAUSES = 3

/** These stand in a test table of their own, with each of their figures. */
const TABLED: readonly KindName[] = ['settings', 'ct-proof', 'trace-test']

const doubtful = ({ check, outcome }: JudgedCheck): boolean =>
  (outcome.verdict === 'does-not-conform' || outcome.verdict === 'not-proven') &&
  !TABLED.includes(check.requirement.kind)

const workingTable = (rows: Cell[][]): Block[] =>
  rows.length === 0
    ? []
    : [
        {
          kind: 'table',
          columns: [{ head: 'check' }, { head: 'arithmetic and notes', share: 2.6 }],
          rows,
        },
      ]

function rowOf({ check, outcome }: JudgedCheck, { say }: Saying): Cell[] {
  if (!('working' in outcome)) return [check.title, '']
  const causes = outcome.verdict === 'conforms' ? [] : outcome.causes
  return [
    beside(check.title, check.unit.label),
    [
      ...outcome.working.map(say),
      ...causes.slice(0, MOST_CAUSES).map((cause, i) => quiet(`${i + 1}. likely cause: ${say(cause)}`)),
      ...outcome.notes.map((note) => quiet(say(note))),
    ],
  ]
}

function notes(inspection: Inspection, { when }: Saying): Block[] {
  const rows = inspection.checks.flatMap(({ check, history }): Cell[][] => {
    const last = inForce(history)
    return last?.body.note
      ? [[[check.title, quiet(check.unit.label)], last.body.note, quiet(`${last.by.name}, ${when(last.at)}`)]]
      : []
  })
  if (rows.length === 0) return []
  return [
    { kind: 'heading', text: 'Notes of the inspectors' },
    {
      kind: 'table',
      columns: [{ head: 'check' }, { head: 'note', share: 2 }, { head: 'by' }],
      rows,
    },
  ]
}

function withoutEffect(inspection: Inspection, { when }: Saying): Block[] {
  const rows = madeVoid(inspection).flatMap(({ because, deeds }) =>
    deeds.map((one): Cell[] => [
      [one.what, quiet(`${one.by.name}, ${when(one.at)}`)],
      [because.what, quiet(`${because.by.name}, ${when(because.at)}`)],
    ]),
  )
  if (rows.length === 0) return []
  return [
    { kind: 'heading', text: 'Entered, and without effect since' },
    { kind: 'table', columns: [{ head: 'entered' }, { head: 'made void by' }], rows },
  ]
}
