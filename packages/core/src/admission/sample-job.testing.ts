import type { Outcome } from '../walk/check.js'
import type { EntryBodies, EntryKind } from '../job/entries/registry.js'
import type { Person, Role } from '../job/person.js'
import { createHash } from 'node:crypto'
import { readSheet, type Sheet } from '../requirements/sheet.js'
import { inspect, type Inspection } from '../walk/inspect.js'
import type { Admission } from '../job/entries/entry-kind.js'
import { admit } from './admit.js'
import { ENTERED } from '../job/scope.js'
import { linked } from '../job/chain.js'
import type { Entry, NewEntry } from '../job/entry.js'
import { fold } from '../job/fold.js'
import type { Instrument } from '../instrument/instrument.js'

export const sha256 = (text: string) => createHash('sha256').update(text).digest('hex')

export const DRIVER: Instrument = {
  id: 'driver',
  name: 'Driver',
  kind: 'torque-driver',
  serial: 'D',
  calibratedUntil: '2027-01-01',
  accuracy: [{ dimension: 'torque', percent: 4, plus: 0 }],
}
export const METER: Instrument = {
  id: 'meter',
  name: 'Meter',
  kind: 'multimeter',
  serial: 'M',
  calibratedUntil: '2027-01-01',
  accuracy: [{ dimension: 'voltage', percent: 0.5, plus: 0 }],
}

const common = { stage: 'dc', clause: '1', severity: 'major', remedy: 'put it right' }
/** A small box with one screw, one spring clamp, and a wish for 100 mm on every side. */
export const BOX: Sheet = readSheet({
  format: 'plumb-mark-sheet',
  version: 1,
  maker: 'Nobody',
  model: 'Box',
  kind: 'hybrid-inverter',
  title: 'Box',
  revision: '1',
  date: '2026-01-01',
  source: 'none',
  size: { width: '400 mm', height: '500 mm', depth: '100 mm' },
  terminals: [
    { id: 'a', label: 'A', side: 'dc', clamp: 'torque', torque: { min: '2 N·m', max: '3 N·m' } },
    { id: 'b', label: 'B', side: 'dc', clamp: 'spring' },
  ],
  requirements: [
    {
      ...common,
      id: 'clear',
      kind: 'clearance',
      stage: 'place-and-mount',
      title: 'Free space',
      clear: { left: 100, right: 100, top: 100, bottom: 100 },
    },
    {
      ...common,
      id: 'torque',
      kind: 'limits',
      title: 'Torque',
      each: 'terminal',
      window: 'torque',
      where: { clamp: 'torque' },
    },
    {
      ...common,
      id: 'tug',
      kind: 'observation',
      title: 'Tug',
      each: 'terminal',
      where: { clamp: 'spring' },
      question: 'Does it hold?',
    },
    {
      ...common,
      id: 'mains',
      kind: 'limits',
      severity: 'stop',
      stage: 'ac',
      title: 'Mains',
      dimension: 'voltage',
      min: '207 V',
      max: '253 V',
    },
  ],
})
export const SHEETS = new Map([['nobody-box-1', BOX]])

/** A job that is written entry by entry, as its crew would, each a minute after the other. */
export class SampleJob {
  entries: Entry[] = []
  private n = 0

  static opened(): SampleJob {
    return new SampleJob()
      .write('inspector', 'job-opened', {
        number: 'T-1',
        title: 'Test',
        site: 'Somewhere',
        customer: 'Somebody',
        school: 'iec',
        units: 'metric',
        rule: 'guarded',
        scope: { outside: [...ENTERED], reason: 'one box on a wall' },
        sheets: [
          { id: 'nobody-box-1', maker: 'Nobody', model: 'Box', revision: '1', fingerprint: sha256('x') },
        ],
      })
      .write('inspector', 'wall-measured', {
        id: 'w',
        title: 'Wall',
        leftCorner: true,
        rightCorner: false,
        uncertainty: 0,
        tape: 'Tape',
      })
      .write('inspector', 'unit-fitted', {
        id: 'u',
        label: 'Box 1',
        sheetId: 'nobody-box-1',
        place: { wallId: 'w', x: 300, y: 900, w: 400, h: 500 },
      })
  }

  get inspection(): Inspection {
    return inspect(fold(this.entries), SHEETS)
  }

  /** Appends what core admits; throws its code when it does not. */
  write<K extends EntryKind>(role: Role, kind: K, body: EntryBodies[K], at?: string): this {
    const entry = this.entry(kind, body, at)
    const answer = admit(entry, role, this.inspection, { by: role })
    if (!answer.ok) throw new Error(answer.code)
    this.entries = [...this.entries, linked(entry, 'job', person(role), this.entries.at(-1), sha256)]
    return this
  }

  admits<K extends EntryKind>(role: Role, kind: K, body: EntryBodies[K]): Admission {
    return admit(this.entry(kind, body), role, this.inspection, { by: role })
  }

  torque(typed: string, value: number): this {
    return this.write('inspector', 'reading', {
      point: 'u/torque/a',
      typed,
      value,
      unit: 'N·m',
      relation: '=',
      instrument: DRIVER,
    })
  }

  raiseTorque(): this {
    const { outcome } = this.check('u/torque/a')
    if (outcome.verdict !== 'does-not-conform') throw new Error('the torque does not fail')
    return this.write('inspector', 'defect-raised', {
      defectId: 'd',
      checkId: 'u/torque/a',
      ...outcome.defect,
    })
  }

  /** Answers everything that the box asks, well. */
  answered(): this {
    return this.torque('2.5 N·m', 2.5)
      .write('inspector', 'observation', { point: 'u/tug/b', seen: true })
      .write('inspector', 'reading', {
        point: 'u/mains/unit',
        typed: '231 V',
        value: 231,
        unit: 'V',
        relation: '=',
        instrument: METER,
      })
  }

  check(id: string) {
    const found = this.inspection.checks.find(({ check }) => check.id === id)!
    return { ...found, outcome: JSON.parse(JSON.stringify(found.outcome)) as Outcome }
  }

  defect() {
    return this.inspection.defects[0]!
  }

  private entry<K extends EntryKind>(kind: K, body: EntryBodies[K], at?: string): NewEntry {
    this.n++
    return {
      id: `e${this.n}`,
      kind,
      at: at ?? new Date(Date.UTC(2026, 5, 1, 8, this.n)).toISOString(),
      body,
    } as NewEntry
  }
}

const person = (role: Role): Person => ({ id: role, name: role, role })

export const SIGNATURE = (job: SampleJob) => ({
  licence: 'L-1',
  statement: 'read',
  drawing: 'data:image/png;base64,AA',
  sealedHead: job.entries.at(-1)!.hash,
})
