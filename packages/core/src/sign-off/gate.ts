import { PROPOSED_WORDS, proposalsIn } from '../as-built/proposal.js'
import { ENTERED_WORDS, contradictedScope } from '../job/scope.js'
import { openRemarks, secondReadingOpen } from './remarks.js'
import { overloadedUnjudged } from './unjudged-cables.js'
import type { CheckId, DefectId, EntryId } from '../ids/ids.js'
import { entryRow } from '../job/entries/registry.js'
import { inForce } from '../job/state.js'
import { isOpen } from '../job/defect-process.js'
import { openDefectFor, type Defect } from '../walk/defect.js'
import { outOfCalibration, type Instrument } from '../instrument/instrument.js'
import { joinAnd } from '../quantity/phrases.js'
import { sheetName } from '../sheet/ref.js'
import type { JudgedCheck } from '../walk/check.js'
import type { Inspection } from '../walk/inspect.js'

export type BlockerKind =
  | 'nothing-to-judge'
  | 'sheet-missing'
  | 'sheet-not-released'
  | 'entry-unreadable'
  | 'not-inspected'
  | 'not-proven'
  | 'failed-without-defect'
  | 'defect-open'
  | 'out-of-calibration'
  | 'proposal-open'
  | 'cable-unjudged'
  | 'scope-contradicted'
  | 'remark-open'
  | 'second-reading-open'

const NONE: ReadonlySet<string> = new Set()

const sheetNameOf = (id: string, sheets: Inspection['sheets']): string => {
  const sheet = sheets.get(id)
  return sheet ? sheetName(sheet) : id
}

/** One thing that stands in the way of a signature. */
export interface Blocker {
  kind: BlockerKind
  text: string
  checkId?: CheckId
  defectId?: DefectId
  /** An entry that can be struck out to clear the way. */
  entryId?: EntryId
}

/**
 * Exactly what stands in the way of the licensed signature: checks without an answer, readings that prove
 * nothing, failures that nobody raised, open `stop` and `major` defects, entries that cannot be read,
 * readings in force taken with an instrument whose calibration was over, what was only proposed, cables that no sheet
 * asks for and that carry too much, a scope that what was entered contradicts, remarks that nobody answered, a second reader who has not
 * read what stands there now. Open `minor` defects and notes do not
 * block; they are listed in the record.
 */
export function blockers(
  inspection: Inspection,
  /** Sheets that nobody but their writer has looked at, where the office wants that. */
  notReleased: ReadonlySet<string> = NONE,
): Blocker[] {
  const { checks, defects, state, sheets } = inspection
  const zone = state.header?.timeZone
  const unreadable = state.unreadable.map(({ entry, problem }): Blocker => ({
    kind: 'entry-unreadable',
    text: `entry ${entry.seq} (${entryRow(entry.kind)?.label ?? entry.kind}) cannot be read: ${problem.message}`,
    entryId: entry.id,
  }))
  if (checks.length === 0)
    return [...unreadable, { kind: 'nothing-to-judge', text: 'no unit with a sheet has been entered' }]
  const missing = state.asBuilt.units.filter(({ sheetId }) => !sheets.has(sheetId))
  return [
    ...unreadable,
    ...missing.map(({ label, sheetId }): Blocker => ({
      kind: 'sheet-missing',
      text: `${label} has no sheet (${sheetId})`,
    })),
    ...[...new Set(state.asBuilt.units.map(({ sheetId }) => sheetId))]
      .filter((id) => notReleased.has(id))
      .map((id): Blocker => ({
        kind: 'sheet-not-released',
        text: `${sheetNameOf(id, sheets)}: not released, another person than its writer must look at it`,
      })),
    ...defects.filter(blocks).map((defect): Blocker => ({
      kind: 'defect-open',
      text: `${defect.title}, ${defect.place}: ${defect.state === 'reworked' ? 'reworked, to be read again' : 'open'}`,
      defectId: defect.id,
      checkId: defect.checkId,
    })),
    ...proposalsIn(state.asBuilt).map(({ label, kind }): Blocker => ({
      kind: 'proposal-open',
      text: `${PROPOSED_WORDS[kind]} ${label}: proposed, and confirmed by nobody on site`,
    })),
    ...overloadedUnjudged(inspection).map(({ label, finding }): Blocker => ({
      kind: 'cable-unjudged',
      text: `cable ${label}: no sheet asks for it, and it ${finding}`,
    })),
    ...contradictedScope(state).map((what): Blocker => ({
      kind: 'scope-contradicted',
      text: `${ENTERED_WORDS[what]}: said to lie outside of the job, and entered all the same`,
    })),
    ...openRemarks(state).map(({ text, checkId, defectId }): Blocker => ({
      kind: 'remark-open',
      text,
      ...(checkId !== undefined && { checkId }),
      ...(defectId !== undefined && { defectId }),
    })),
    ...(secondReadingOpen(state)
      ? [
          {
            kind: 'second-reading-open' as const,
            text: `${state.secondReader!.person.name} is to read the record`,
          },
        ]
      : []),
    ...checks.flatMap((judged) => blockersOf(judged, defects, checks, zone)),
  ]
}

function blocks(defect: Defect): boolean {
  return isOpen(defect) && (defect.severity === 'stop' || defect.severity === 'major')
}

function blockersOf(
  judged: JudgedCheck,
  defects: readonly Defect[],
  checks: readonly JudgedCheck[],
  zone: string | undefined,
): Blocker[] {
  const { check, outcome } = judged
  const about = (kind: BlockerKind, text: string): Blocker => ({
    kind,
    text: `${check.title}, ${check.unit.label}: ${text}`,
    checkId: check.id,
  })
  const found: Blocker[] = []
  if (outcome.verdict === 'not-inspected')
    found.push(about('not-inspected', outcome.again ? `not inspected: ${outcome.again}` : 'not inspected'))
  const expired = expiredInstrument(judged, zone)
  if (outcome.verdict === 'not-proven' && !expired) found.push(about('not-proven', String(outcome.wanting)))
  if (outcome.verdict === 'does-not-conform' && !openDefectFor(judged, defects, checks))
    found.push(about('failed-without-defect', 'fails, and no defect is raised'))
  if (expired)
    found.push(
      about('out-of-calibration', `${expired.name} was out of calibration since ${expired.calibratedUntil}`),
    )
  return found
}

/** The instrument of the reading in force, when its calibration was over on the day of the reading. */
export function expiredInstrument({ history }: JudgedCheck, zone?: string): Instrument | undefined {
  const current = inForce(history)
  const instrument = current && 'instrument' in current.body ? current.body.instrument : undefined
  return instrument && outOfCalibration(instrument, current!.at, zone) ? instrument : undefined
}

/** Does this check still want something from somebody? What was read after a calibration was over is not proven already. */
export const isLeft = ({ outcome: { verdict } }: JudgedCheck): boolean =>
  verdict !== 'conforms' && verdict !== 'not-applicable'

export type Debtor = 'the installer' | 'the inspector' | 'the second reader' | 'the office'

/** What somebody still owes a job. */
export interface Owed {
  who: Debtor
  what: keyof typeof OWED
  count: number
}

const OWED = {
  'defect-open': ['the installer', 'defect to rework', 'defects to rework'],
  'defect-reworked': ['the inspector', 'rework to look at again', 'reworks to look at again'],
  'failed-without-defect': ['the inspector', 'failure to raise', 'failures to raise'],
  'not-inspected': ['the inspector', 'check to make', 'checks to make'],
  'not-proven': ['the inspector', 'reading to prove', 'readings to prove'],
  'entry-unreadable': ['the inspector', 'entry to strike out', 'entries to strike out'],
  'proposal-open': ['the inspector', 'proposal to confirm on site', 'proposals to confirm on site'],
  'cable-unjudged': ['the inspector', 'cable to look at', 'cables to look at'],
  'scope-contradicted': [
    'the inspector',
    'contradiction of the scope to settle',
    'contradictions of the scope to settle',
  ],
  'remark-open': ['the inspector', 'remark to answer', 'remarks to answer'],
  'second-reading-open': ['the second reader', 'record to read', 'records to read'],
  'out-of-calibration': ['the office', 'reading out of calibration', 'readings out of calibration'],
} as const satisfies Record<string, readonly [Debtor, string, string]>

/** What a job is waiting for, whom first: as data that a list can sort by, and in words for reading. */
export function waitingFor(inspection: Inspection): { owed: Owed[]; words: string } {
  if (inspection.state.seal) return { owed: [], words: 'nothing: signed and sealed' }
  const found = blockers(inspection)
  const of = (kind: BlockerKind) => found.filter((blocker) => blocker.kind === kind).length
  const inState = (wanted: Defect['state']) =>
    inspection.defects.filter(({ state }) => state === wanted).length
  const counts: Record<keyof typeof OWED, number> = {
    'defect-open': inState('open'),
    'defect-reworked': inState('reworked'),
    'failed-without-defect': of('failed-without-defect'),
    'not-inspected': of('not-inspected'),
    'not-proven': of('not-proven'),
    'entry-unreadable': of('entry-unreadable'),
    'proposal-open': of('proposal-open'),
    'cable-unjudged': of('cable-unjudged'),
    'scope-contradicted': of('scope-contradicted'),
    'remark-open': of('remark-open'),
    'second-reading-open': of('second-reading-open'),
    'out-of-calibration': of('out-of-calibration'),
  }
  const owed = (Object.keys(OWED) as (keyof typeof OWED)[])
    .filter((what) => counts[what] > 0)
    .map((what): Owed => ({ who: OWED[what][0], what, count: counts[what] }))
  return { owed, words: owed.length === 0 ? 'the reviewer’s signature' : owedWords(owed) }
}

/** "the installer (1 defect to rework) and the inspector (2 checks to make)" */
function owedWords(owed: readonly Owed[]): string {
  const people = [...new Set(owed.map(({ who }) => who))]
  const said = ({ what, count }: Owed) => `${count} ${OWED[what][count === 1 ? 1 : 2]}`
  const of = (person: Debtor) =>
    owed
      .filter(({ who }) => who === person)
      .map(said)
      .join(', ')
  return joinAnd(people.map((person) => `${person} (${of(person)})`))
}
