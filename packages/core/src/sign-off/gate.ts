import { inForce } from '../job/state.js'
import { isOpen, openDefectFor, type Defect } from '../walk/defect.js'
import { outOfCalibration, type Instrument } from '../instrument/instrument.js'
import { listed } from '../verdict/say.js'
import type { JudgedCheck } from '../walk/check.js'
import type { Inspection } from '../walk/inspect.js'

export type BlockerKind =
  | 'nothing-to-judge'
  | 'sheet-missing'
  | 'not-inspected'
  | 'not-proven'
  | 'failed-without-defect'
  | 'defect-open'
  | 'out-of-calibration'

/** One thing that stands in the way of a signature. */
export interface Blocker {
  kind: BlockerKind
  text: string
  checkId?: string
  defectId?: string
}

/**
 * Exactly what stands in the way of the licensed signature: checks without an answer, readings that prove nothing, failures that nobody
 * raised, open `stop` and `major` defects, readings in force taken with an instrument whose calibration was over. Open `minor` defects
 * and notes do not block; they are listed in the record.
 */
export function blockers({ checks, defects, state, sheets }: Inspection): Blocker[] {
  if (checks.length === 0)
    return [{ kind: 'nothing-to-judge', text: 'no unit with a sheet has been entered' }]
  const missing = state.asBuilt.units.filter(({ sheetId }) => !sheets.has(sheetId))
  return [
    ...missing.map(({ label, sheetId }): Blocker => ({
      kind: 'sheet-missing',
      text: `${label} has no sheet (${sheetId})`,
    })),
    ...defects.filter(blocks).map((defect): Blocker => ({
      kind: 'defect-open',
      text: `${defect.title}, ${defect.place}: ${defect.state === 'reworked' ? 'reworked, to be read again' : 'open'}`,
      defectId: defect.id,
      checkId: defect.checkId,
    })),
    ...checks.flatMap((judged) => blockersOf(judged, defects, checks)),
  ]
}

function blocks(defect: Defect): boolean {
  return isOpen(defect) && (defect.severity === 'stop' || defect.severity === 'major')
}

function blockersOf(
  judged: JudgedCheck,
  defects: readonly Defect[],
  checks: readonly JudgedCheck[],
): Blocker[] {
  const { check, outcome } = judged
  const about = (kind: BlockerKind, text: string): Blocker => ({
    kind,
    text: `${check.title}, ${check.unit.label}: ${text}`,
    checkId: check.id,
  })
  const found: Blocker[] = []
  if (outcome.verdict === 'not-inspected') found.push(about('not-inspected', 'not inspected'))
  if (outcome.verdict === 'not-proven') found.push(about('not-proven', outcome.wanting))
  if (outcome.verdict === 'does-not-conform' && !openDefectFor(judged, defects, checks))
    found.push(about('failed-without-defect', 'fails, and no defect is raised'))
  const expired = expiredInstrument(judged)
  if (expired)
    found.push(
      about('out-of-calibration', `${expired.name} was out of calibration since ${expired.calibratedUntil}`),
    )
  return found
}

/** The instrument of the reading in force, when its calibration was over on the day of the reading. */
export function expiredInstrument({ history }: JudgedCheck): Instrument | undefined {
  const current = inForce(history)
  const instrument = current && 'instrument' in current.body ? current.body.instrument : undefined
  return instrument && outOfCalibration(instrument, current!.at) ? instrument : undefined
}

/** Does this check still want something from somebody? */
export function isLeft(judged: JudgedCheck): boolean {
  const { verdict } = judged.outcome
  return (verdict !== 'conforms' && verdict !== 'not-applicable') || expiredInstrument(judged) !== undefined
}

/** One line for a list of jobs: what it is waiting for. */
export function waitingFor(inspection: Inspection): string {
  if (inspection.state.seal) return 'nothing: signed and sealed'
  const open = inspection.defects.filter(({ state }) => state === 'open').length
  const reworked = inspection.defects.filter(({ state }) => state === 'reworked').length
  const of = (kind: BlockerKind) => blockers(inspection).filter((blocker) => blocker.kind === kind).length
  const parts = [
    [open, 'the installer', 'defect to rework', 'defects to rework'],
    [reworked, 'the inspector', 'rework to look at again', 'reworks to look at again'],
    [of('failed-without-defect'), 'the inspector', 'failure to raise', 'failures to raise'],
    [of('not-inspected'), 'the inspector', 'check to make', 'checks to make'],
    [of('not-proven'), 'the inspector', 'reading to prove', 'readings to prove'],
    [of('out-of-calibration'), 'the office', 'reading out of calibration', 'readings out of calibration'],
  ] as const
  const owed = parts.filter(([n]) => n > 0)
  const people = [...new Set(owed.map(([, who]) => who))]
  const said = people.map(
    (person) =>
      `${person} (${owed
        .filter(([, who]) => who === person)
        .map(([n, , one, many]) => `${n} ${n === 1 ? one : many}`)
        .join(', ')})`,
  )
  return said.length === 0 ? 'the reviewer’s signature' : listed(said)
}
