import type { Outcome } from '../walk/check.js'
import type { JobHeader } from '../job/header.js'
import type { EntryBodies, EntryKind } from '../job/entries/registry.js'
import { sheetId } from '../sheet/ref.js'
import { fold } from '../job/fold.js'
import type { Entry } from '../job/entry.js'
import type { Instrument } from '../instrument/instrument.js'
import { inspect, type Inspection } from '../walk/inspect.js'
import { readSheet, type Sheet } from './sheet.js'

export const TAPE: Instrument = {
  id: 'tape',
  name: 'Tape',
  kind: 'tape',
  serial: '1',
  calibratedUntil: '2027-01-01',
  accuracy: [{ dimension: 'length', percent: 0, plus: 1 }],
}
export const METER: Instrument = {
  id: 'meter',
  name: 'Meter',
  kind: 'multimeter',
  serial: '2',
  calibratedUntil: '2027-01-01',
  accuracy: [{ dimension: 'voltage', percent: 0.5, plus: 0.01 }],
}

const HEADER: JobHeader = {
  number: 'T-1',
  title: 'T',
  site: 'S',
  customer: 'C',
  school: 'iec',
  units: 'metric',
  rule: 'guarded',
  sheets: [],
}

export function sheet(model: string, kind: string, requirements: object[], more: object = {}): Sheet {
  const common = { stage: 'identify', clause: '1', severity: 'major', title: 'T', remedy: 'R' }
  return readSheet({
    format: 'plumb-mark-sheet',
    version: 1,
    maker: 'Nobody',
    model,
    kind,
    title: model,
    revision: '1',
    date: '2026-01-01',
    source: 'none',
    requirements: requirements.map((one) => ({ ...common, ...one })),
    ...more,
  })
}

type Change = { [K in EntryKind]: { kind: K; body: EntryBodies[K] } }[EntryKind]

/** A site that is put together in a line or two: its sheets, what was entered, and what comes of it. */
export class Site {
  private entries: Entry[] = []
  private readonly sheets = new Map<string, Sheet>()

  constructor(header: Partial<JobHeader> = {}) {
    this.write({ kind: 'job-opened', body: { ...HEADER, ...header } })
  }

  /** Fits one unit of a sheet; its id is its model. */
  unit(of: Sheet, more: Partial<EntryBodies['unit-fitted']> = {}): this {
    this.sheets.set(sheetId(of), of)
    return this.write({
      kind: 'unit-fitted',
      body: { id: of.model, label: of.model, sheetId: sheetId(of), ...more },
    })
  }

  /** A sheet that is at hand, on no unit yet. */
  knows(of: Sheet): this {
    this.sheets.set(sheetId(of), of)
    return this
  }

  /** A sheet that is not at hand any more. */
  forgets(id: string): this {
    this.sheets.delete(id)
    return this
  }

  write(...changes: Change[]): this {
    for (const { kind, body } of changes)
      this.entries.push({
        id: `e${this.entries.length}`,
        jobId: 'j',
        kind,
        body,
        at: new Date(Date.UTC(2026, 5, 1, 8, this.entries.length)).toISOString(),
        by: { id: 'i', name: 'I', role: 'inspector' },
        seq: this.entries.length + 1,
        prev: '',
        hash: '',
      } as Entry)
    return this
  }

  record(point: string, answer: object, more: object = {}): this {
    return this.write({ kind: 'record', body: { point, answer, ...more } as EntryBodies['record'] })
  }

  /** What was written last, to be changed as no honest device would. */
  get last(): Entry {
    return this.entries.at(-1)!
  }

  get inspection(): Inspection {
    return inspect(fold(this.entries), this.sheets)
  }

  /** The verdict of a check and what it found, in one line: "does-not-conform: short by 3". */
  says(id: string): string {
    const { outcome } = this.check(id)
    return `${outcome.verdict}: ${'finding' in outcome ? outcome.finding : 'because' in outcome ? outcome.because : ''}`
  }

  check(id: string) {
    const found = this.inspection.checks.find(({ check }) => check.id === id)
    if (!found)
      throw new Error(
        `no check ${id} among ${this.inspection.checks.map(({ check }) => check.id).join(', ')}`,
      )
    return { ...found, outcome: asText(found.outcome) }
  }
}

/** An outcome as it is read: its figures written out. */
export const asText = (outcome: Outcome): Outcome => JSON.parse(JSON.stringify(outcome)) as Outcome

export const MODULE = sheet('M', 'module', [], {
  size: { width: 1000, height: 1700, depth: 30 },
  module: {
    voc: 40,
    vocTempCoeff: -0.3,
    cellsInSeries: 54,
    bypassDiodes: 3,
    power: 400,
    isc: 12,
    cells: 108,
    technology: 'half-cut',
  },
})
export const plane = (rows: number, columns: number, more: object = {}): Change => ({
  kind: 'plane-built',
  body: {
    id: 'p',
    label: 'South',
    unitId: 'M',
    rows,
    columns,
    orientation: 'portrait',
    gap: 20,
    empty: [],
    ...more,
  },
})
export const devices = (unitId: string, n: number, more: (i: number) => object = () => ({})): Change => ({
  kind: 'devices-fitted',
  body: {
    devices: Array.from({ length: n }, (_, i) => ({
      id: `b${i + 1}`,
      unitId,
      at: `p.r1c${i + 1}`,
      feeds: [`p.r1c${i + 1}`],
      idlePorts: 0,
      cappedPorts: 0,
      ...more(i + 1),
    })),
  },
})
export const string = (path: string[], more: object = {}): Change => ({
  kind: 'string-built',
  body: {
    id: 's',
    label: 'String A',
    unitId: 'I',
    input: 'PV1',
    count: path.length,
    path,
    module: { name: 'M', voc: 40, vocTempCoeff: -0.3, cellsInSeries: 54, bypassDiodes: 3 },
    ...more,
  },
})
export const row = (n: number, from = 1) => Array.from({ length: n }, (_, i) => `p.r1c${i + from}`)
