import { createHash } from 'node:crypto'
import {
  admit,
  blockers,
  fold,
  inspect,
  parseQuantity,
  sheetId,
  type Inspection,
  type NewEntry,
  type Role,
} from '@plumb-mark/core'
import { LIBRARY } from '../made.testing.js'
import { FIRST_READINGS, firstJob, type Shown } from './first-job.js'

const sha256 = (text: string) => createHash('sha256').update(text).digest('hex')
const NOW = Date.UTC(2031, 2, 1)
const job = firstJob(LIBRARY, { jobId: 'practice', now: NOW, sha256 })
const sheets = new Map(job.sheets.map((sheet) => [sheetId(sheet), sheet]))

/** The job while somebody works on it: what they write is weighed as in any job. */
class Walk {
  entries = [...job.entries]
  inspection = inspect(fold(this.entries), sheets)

  write(kind: string, body: object, role: Role = 'inspector'): this {
    const entry = {
      id: `mine-${this.entries.length}`,
      kind,
      at: new Date(NOW).toISOString(),
      body,
    } as NewEntry
    expect(admit(entry, role, this.inspection)).toEqual({ ok: true })
    const more = { jobId: 'practice', by: { id: 'me', name: 'Me', role }, seq: this.entries.length + 1 }
    this.entries.push({ ...entry, ...more, prev: '', hash: '' } as never)
    this.inspection = inspect(fold(this.entries), sheets)
    return this
  }

  read({ checkId, conditions }: Shown, typed: string): this {
    const { check } = judged(this.inspection, checkId)
    const dimension = check.ask.kind === 'reading' ? check.ask.dimension : undefined
    const figure = parseQuantity(typed, dimension!)
    if (!figure.ok) throw new Error(figure.problem.message)
    const instrument = job.instruments.find(({ accuracy }) =>
      accuracy.some((one) => one.dimension === dimension),
    )
    const { value, unit, relation } = figure.quantity
    return this.write('reading', { point: check.point, typed, value, unit, relation, instrument, conditions })
  }
}
const judged = ({ checks }: Inspection, id: string) => checks.find(({ check }) => check.id === id)!
const verdictOf = (walk: Walk, { checkId }: Shown) => judged(walk.inspection, checkId).outcome.verdict

it('three readings stand in the way, and nothing else', () => {
  const { inspection } = new Walk()
  const pointOf = (id: string | undefined) => judged(inspection, id!).check.point
  // What is read at the ends of the string says its polarity as well.
  const inTheWay = blockers(inspection).map(({ checkId }) => pointOf(checkId))
  expect(new Set(inTheWay)).toEqual(new Set(Object.values(FIRST_READINGS).map(pointOf)))
})

it('the terminal that is too loose fails, and nothing stands in the way once all three were read right', () => {
  const { tape, torque, voltage } = job.shown
  const walk = new Walk().read(torque, job.tooLoose)
  expect(verdictOf(walk, torque)).toBe('does-not-conform')
  walk.read(torque, torque.typed).read(tape, tape.typed).read(voltage, voltage.typed)
  expect(blockers(walk.inspection)).toEqual([])
})

it('demands no photo and no file, which would have to be sent', () => {
  for (const { check } of new Walk().inspection.checks) {
    expect(check.requirement.photo ?? false).toBe(false)
    expect(check.requirement.kind).not.toMatch(/trace|photo/)
  }
})

it('its instruments are in date whenever it is begun, and its entries are the same each time', () => {
  const later = firstJob(LIBRARY, { jobId: 'practice', now: NOW + 1e11, sha256 })
  expect(later.entries).toEqual(job.entries)
  for (const { calibratedUntil } of later.instruments)
    expect(Date.parse(calibratedUntil)).toBeGreaterThan(NOW + 1e11)
  for (const [i, { prev }] of job.entries.entries()) expect(prev).toBe(job.entries[i - 1]?.hash ?? '')
})
