import {
  attempt,
  blockers,
  compute,
  type BlockerKind,
  type Explained,
  type Inspection,
  type Verdict,
} from '@plumb-mark/core'
import { figure, quiet, type Block, type Cell } from '../block.js'
import { sayingOf, type ReportRecord } from '../record.js'

/** What this report can and cannot say, and how to stay alive. */
export function limits(): Block[] {
  return [
    {
      kind: 'list',
      items: [
        'The checks compare what was built with the makers’ sheets named here, on the days on which it was looked at. What was covered, closed or outside of the scope was not seen.',
        'The local code, the authority and a licensed person decide. Nothing here takes their place.',
        'A reading counts with the uncertainty of its instrument. What is not known is not proven: never zero, never fine.',
        'What was seen on a walk over several places is said so: it was one look along all of them, not one at each.',
        'Only qualified people open, measure or change live equipment. Prove dead before touching, and wait as long as the maker asks: capacitors stay charged.',
        'Modules in light are live whatever the switch says, and a DC arc does not go out by itself. A battery cannot be switched off.',
      ],
    },
  ]
}

/** Calculations kept with the job: worked out again from their inputs, with their arithmetic. */
export function calculations({ inspection }: ReportRecord): Block[] {
  const { say, when } = sayingOf(inspection)
  const { calculations: kept } = inspection.state
  if (kept.length === 0) return []
  return [
    {
      kind: 'table',
      columns: [
        { head: 'calculation' },
        { head: 'arithmetic and notes', share: 2.2 },
        { head: 'verdict', share: 0.8 },
      ],
      rows: kept.map(({ at, by, body }): Cell[] => {
        const done = attempt(() => compute(body.calculator, body.input) as Explained & { verdict?: Verdict })
        // What an older program kept and this one does not take any more is shown as what it is.
        const lines = done.ok
          ? [
              ...done.value.working.map((one) => figure(say(one))),
              ...done.value.notes.map((one) => quiet(say(one))),
            ]
          : [quiet(`cannot be worked out again: ${done.problem.message}`)]
        const verdict = done.ok ? done.value.verdict : undefined
        return [
          [body.title, quiet(`${by.name}, ${when(at)}`)],
          body.note ? [...lines, quiet(body.note)] : lines,
          verdict ? { verdict } : '',
        ]
      }),
    },
  ]
}

/** The licensed signature with the fingerprint that it seals; or, plainly, what still stands in its way. */
export function signature({ inspection, broken, keyFingerprint }: ReportRecord): Block[] {
  const { seal, head } = inspection.state
  if (!seal) return inTheWay(inspection)
  const { when } = sayingOf(inspection)
  return [
    {
      kind: 'together',
      blocks: [
        { kind: 'text', text: seal.body.statement },
        { kind: 'image', data: seal.body.drawing, alt: `Signature of ${seal.by.name}`, height: 80 },
        {
          kind: 'facts',
          rows: [
            ['signed by', `${seal.by.name}, licence ${seal.body.licence}`],
            ['on', when(seal.at)],
            ['chain ends in', figure(head?.hash ?? '')],
            ['key', figure(keyFingerprint)],
          ],
        },
        ...(broken.length > 0
          ? [{ kind: 'text', as: 'danger', text: `This record is BROKEN: ${broken.join('; ')}` } as const]
          : []),
        {
          kind: 'text',
          as: 'quiet',
          text: 'Every entry is chained to the one before it by SHA-256. Anyone who has the exported record can recompute it with “plumb-mark verify --key” and this key.',
        },
      ],
    },
  ]
}

const BLOCKER_WORDS = {
  'nothing-to-judge': 'no unit with a sheet has been entered',
  'sheet-missing': 'units without a sheet',
  'sheet-not-released': 'sheets not released',
  'entry-unreadable': 'entries that cannot be read',
  'not-inspected': 'checks that are not inspected',
  'not-proven': 'checks that are not proven',
  'failed-without-defect': 'failures for which no defect is raised',
  'defect-open': 'open defects',
  'out-of-calibration': 'readings taken with an instrument out of calibration',
  'proposal-open': 'things that are proposed and that nobody confirmed on site',
  'cable-unjudged': 'cables that no sheet asks for and that carry too much',
  'scope-contradicted': 'parts outside the scope that were entered all the same',
  'remark-open': 'remarks of the reviewer without an answer',
  'second-reading-open': 'second readers who have not read the record',
} satisfies Record<BlockerKind, string>

/** What stands in the way, counted by kind: the parts before this one name each. */
function inTheWay(inspection: Inspection): Block[] {
  const found = blockers(inspection)
  if (found.length === 0)
    return [{ kind: 'text', text: 'Not signed. Nothing stands in the way of a signature.' }]
  const kinds = [...new Set(found.map(({ kind }) => kind))]
  return [
    { kind: 'text', as: 'danger', text: 'Not signed. What stands in the way:' },
    {
      kind: 'list',
      items: kinds.map((kind) => {
        const count = found.filter((one) => one.kind === kind).length
        return kind === 'nothing-to-judge' ? BLOCKER_WORDS[kind] : `${BLOCKER_WORDS[kind]}: ${count}`
      }),
    },
  ]
}
