import { readFileSync, readdirSync } from 'node:fs'
import { parse } from 'yaml'
import type { Ask } from '../answer/ask.js'
import { proposalsIn } from '../as-built/proposal.js'
import type { Form } from '../answer/forms.js'
import { ENTRY_KINDS, ENTRY_ROWS } from '../job/entries/registry.js'
import { linked } from '../job/chain.js'
import type { Entry, NewEntry } from '../job/entry.js'
import { applied, fold } from '../job/fold.js'
import { ROLES, type Person, type Role } from '../job/person.js'
import { parseQuantity } from '../quantity/parse.js'
import { readSheet, type Sheet } from '../requirements/sheet.js'
import { sheetId } from '../sheet/ref.js'
import type { JsonSchema } from '../shape/shape.js'
import { inspect, inspectNext, type Inspection } from '../walk/inspect.js'
import { straightAhead } from '../wall/rendered-photo.testing.js'
import { admit } from './admit.js'
import { sha256 } from './sample-job.testing.js'
import { sheetFingerprint } from './inspection-file.js'

const SHEETS_DIR = 'samples/sheets'
/** Every sheet of the samples: between them they have requirements of nearly every kind. */
export const LIBRARY: ReadonlyMap<string, Sheet> = new Map(
  readdirSync(SHEETS_DIR).map((name) => {
    const sheet = readSheet(parse(readFileSync(`${SHEETS_DIR}/${name}`, 'utf8')))
    return [sheetId(sheet), sheet] as const
  }),
)

/** Chance from a seed, the same every time (a linear congruential generator). */
export class Chance {
  constructor(private state: number) {}
  next(): number {
    this.state = (Math.imul(this.state, 1664525) + 1013904223) >>> 0
    return this.state / 2 ** 32
  }
  below(n: number): number {
    return Math.floor(this.next() * n)
  }
  of<T>(all: readonly T[]): T {
    return all[this.below(all.length)]!
  }
}

const person = (role: Role): Person => ({ id: role, name: role, role })

/** Few names for everything, so that entries speak of one another. */
const NAMES: Record<string, readonly string[]> = {
  id: ['a', 'b', 'c', 'inv', 'p', 'w', 'toString'],
  unitId: ['a', 'b', 'inv'],
  personId: ['a', 'b', 'c', 'inv'],
  wallId: ['w', 'a'],
  planeId: ['p', 'a'],
  stringId: ['a', 'b'],
  branchId: ['a'],
  partId: ['a', 'b', 'c'],
  bondId: ['a', 'b'],
  conductorId: ['a', 'b'],
  obstructionId: ['a', 'inv'],
  gapId: ['a'],
  from: ['a', 'b', 'c', 'inv'],
  to: ['a', 'b', 'c', 'inv'],
  at: ['p.r1c1', 'p.r1c2', 'p.r2c1', 'a.r1c1', 'nowhere'],
  feeds: ['p.r1c1', 'p.r1c2'],
  empty: ['p.r1c1'],
  path: ['p.r1c1', 'p.r1c2', 'p.r2c2'],
  devices: ['a', 'b'],
  deviceIds: ['a', 'b'],
  sheetId: [...LIBRARY.keys()],
  due: ['2026-06-08', 'Friday'],
  serials: ['A1', ' ', 'A-1'],
  input: ['PV1', 'pv1'],
  class: ['opening', 'pipe'],
  host: ['127.0.0.1', '10.0.0.7', 'somewhere'],
  checkId: [],
  point: [],
  label: ['A', ' ', 'B'],
  serial: ['A1', ' ', 'B2'],
}
const EDGES = [
  0, 1, -1, 0.1, 1e-12, 2, 4, 6, 16, 25, 30, 35, 65, 100, 240, 400, 630, 1000, 25000, 1e6, 1e15, -273.15, -40,
  40.5,
]

/** Data of a shape: mostly at home in it, often at its edges, now and then with a field left out or null. */
function made(schema: JsonSchema, chance: Chance, name = ''): unknown {
  if (schema.enum) return chance.of(schema.enum)
  if (schema.oneOf) return made(chance.of(schema.oneOf), chance, name)
  if (schema.type === 'number' || schema.type === 'integer') return number(schema, chance)
  if (schema.type === 'boolean') return chance.below(2) === 0
  if (schema.type === 'array')
    return Array.from({ length: chance.below(4) }, () => made(schema.items ?? {}, chance, name))
  if (schema.type === 'object') {
    const fields = Object.entries(schema.properties ?? {}).flatMap(([field, inner]) => {
      const required = schema.required?.includes(field) ?? false
      const roll = chance.below(40)
      if (!required && roll < 16) return roll < 2 ? [[field, null]] : []
      return required && roll === 0 ? [] : [[field, made(inner, chance, field)]]
    })
    return Object.fromEntries(fields)
  }
  const known = NAMES[name]
  return known?.length ? chance.of(known) : chance.of(['x', 'word', ' '])
}

function number({ type, minimum, maximum }: JsonSchema, chance: Chance): number {
  const at = [...(minimum === undefined ? [] : [minimum]), ...(maximum === undefined ? [] : [maximum])]
  const figure = at.length > 0 && chance.below(4) === 0 ? chance.of(at) : chance.of(EDGES)
  return type === 'integer' ? Math.max(minimum ?? 0, Math.min(6, Math.round(Math.abs(figure)))) : figure
}

/** A job that grows by whatever core admits, carried forward as the server does it. */
export class RandomJob {
  entries: Entry[] = []
  inspection: Inspection
  private n = 0

  constructor(private readonly chance: Chance) {
    this.inspection = inspect(fold([]), new Map())
    const sheets = [...LIBRARY.values()].map((sheet) => ({
      id: sheetId(sheet),
      maker: sheet.maker,
      model: sheet.model,
      revision: sheet.revision,
      fingerprint: sheetFingerprint(sheet, sha256),
    }))
    const coldest = chance.of([undefined, -14, -45, 40])
    this.take('inspector', {
      kind: 'job-opened',
      body: {
        number: '1',
        title: 'T',
        site: 'S',
        customer: 'C',
        school: chance.of(['iec', 'nec']),
        units: chance.of(['metric', 'us']),
        rule: chance.of(['guarded', 'simple']),
        sheets,
        ...(coldest !== undefined && { coldest }),
      },
    })
    for (const id of ['inv', 'a', 'b'])
      this.take('inspector', {
        kind: 'unit-fitted',
        body: { id, label: id, sheetId: chance.of([...LIBRARY.keys()]) },
      })
    this.take('inspector', {
      kind: 'device-connected',
      body: { id: 'a', unitId: 'a', host: '127.0.0.1', port: 502, address: 1 },
    })
    this.take('inspector', {
      kind: 'wall-measured',
      body: { id: 'w', title: 'W', leftCorner: true, rightCorner: true, uncertainty: 2 },
    })
    this.take('inspector', {
      kind: 'plane-built',
      body: {
        id: 'p',
        label: 'P',
        unitId: 'inv',
        rows: 2,
        columns: 2,
        orientation: 'portrait',
        gap: 20,
        empty: [],
      },
    })
    for (const id of ['a', 'b', 'c']) {
      this.take('inspector', {
        kind: 'earth-part-found',
        body: { id, label: id, kind: id === 'c' ? 'main-terminal' : 'frame', unitId: 'inv' },
      })
      this.take('inspector', {
        kind: 'part-placed',
        body: {
          id,
          label: id,
          kind: chance.of(['grid', 'board', 'device', 'inverter']),
          unitId: 'inv',
          source: chance.of(EDGES.filter((edge) => edge >= 0)),
        },
      })
    }
  }

  /** One more entry of any kind, by anybody; true when it was admitted. */
  grow(): boolean {
    const { checks, defects } = this.inspection
    NAMES['checkId'] = checks.map(({ check }) => check.id)
    if (this.chance.below(3) === 0 && checks.length > 0) return this.take('inspector', this.evidence())
    const steps = defects.length > 0 && this.chance.below(8) === 0
    const { sharedWith, remarks, secondReader, head } = this.inspection.state
    // What is seldom asked for is answered before most else.
    const reads = secondReader !== undefined && this.chance.below(3) === 0
    const answers = remarks.length > 0 && this.chance.below(6) === 0
    const kind = reads
      ? 'second-read'
      : answers
        ? 'remark-answered'
        : this.chance.of(steps ? (['defect-step', 'defect-amended'] as const) : ENTRY_KINDS)
    const body = made(ENTRY_ROWS[kind].schema.schema, this.chance) as Record<string, unknown>
    if ((kind === 'defect-step' || kind === 'defect-amended') && defects.length > 0)
      body['defectId'] = this.chance.of(defects).id
    if (kind === 'defect-raised') Object.assign(body, { defectId: `d${this.n}`, note: 'seen' })
    if (kind === 'defect-amended' || kind === 'not-applicable') body['reason'] = 'seen on site'
    if (kind === 'not-applicable' && checks.length > 0) {
      const { check } = this.chance.of(checks)
      Object.assign(body, { checkId: check.id, point: check.point })
    }
    if (kind === 'returned') body['remarks'] = [{ id: `r${this.n}`, text: 'which one?' }]
    if (kind === 'remark-answered' && remarks.length > 0) body['remarkId'] = this.chance.of(remarks).id
    if (kind === 'second-reader-asked') body['person'] = person(this.chance.of(['inspector', 'reviewer']))
    if (kind === 'second-read' && secondReader) body['readHead'] = head?.hash
    if (kind === 'unshared' && sharedWith.length > 0) body['personId'] = this.chance.of(sharedWith).id
    if (kind === 'photos-added') {
      const kept = [...this.inspection.state.evidence.values()].flat()
      if (kept.length > 0) body['entryId'] = this.chance.of(kept).id
    }
    if (kind === 'evidence-struck') body['entryId'] = this.chance.of(this.entries).id
    if (kind === 'calculation-kept')
      Object.assign(body, {
        calculator: 'reserve',
        input: { capacityKwh: 9, reservePercent: 10, loadKw: 1, inverterKw: 2 },
      })
    const { units } = this.inspection.state.asBuilt
    if (kind === 'replaced' && units.length > 0) {
      delete body['deviceId']
      Object.assign(body, {
        unitId: this.chance.of(units).id,
        serialOut: 'the old one',
        serialIn: `S-${this.n}`,
      })
    }
    const proposals = proposalsIn(this.inspection.state.asBuilt)
    if (kind === 'confirmed' && proposals.length > 0)
      body['things'] = proposals
        .slice(0, 1 + this.chance.below(3))
        .map(({ kind: what, id }) => ({ kind: what, id }))
    if (kind === 'photos-aligned') Object.assign(body, { before: photoSide('a'), after: photoSide('b') })
    // Known points that are made up anyhow make no map: these do, if the check length is the right one.
    if (kind === 'wall-photographed')
      body['taken'] = {
        photo: { id: 'a', sha256: 'a'.repeat(64) },
        setUp: straightAhead(this.chance.of([300, 300, 320])),
      }
    const role = reads
      ? secondReader.person.role
      : this.chance.of([...ROLES, 'inspector', 'inspector'] as const)
    return this.take(role, { kind, body } as never)
  }

  private take(role: Role, change: Pick<NewEntry, 'kind' | 'body'>): boolean {
    this.n++
    const entry = {
      id: `e${this.n}`,
      at: new Date(Date.UTC(2026, 5, 1, 8, this.n)).toISOString(),
      ...change,
    } as NewEntry
    if (!admit(entry, role, this.inspection, { by: role }).ok) return false
    const link = linked(entry, 'job', person(role), this.entries.at(-1), sha256)
    this.entries.push(link)
    const state = applied(this.inspection.state, [link])
    const pinned = new Map(
      [...(state.header?.sheets ?? []), ...(state.header?.replaced ?? [])].flatMap(({ id }) =>
        LIBRARY.has(id) ? [[id, LIBRARY.get(id)!] as const] : [],
      ),
    )
    this.inspection = inspectNext(this.inspection, state, pinned)
    return true
  }

  private evidence(): Pick<NewEntry, 'kind' | 'body'> {
    const { check } = this.chance.of(this.inspection.checks)
    const { ask, point } = check
    if (ask.kind === 'observation')
      return this.chance.below(3) === 0
        ? { kind: 'walked-over', body: { points: this.pointsSeen() } }
        : { kind: 'observation', body: { point, seen: this.chance.below(2) === 0 } }
    if (ask.kind === 'reading')
      return {
        kind: 'reading',
        body: {
          point,
          ...this.figure(ask),
          ...this.instrument(),
          conditions: {
            cellTemperature: this.chance.of([-40, 20, 70]),
            irradiance: this.chance.of([0.1, 640, 1000]),
            testVoltage: this.chance.of([250, 1000]),
          },
        },
      }
    if (ask.kind === 'record')
      return { kind: 'record', body: { point, answer: this.answer(ask) as never, ...this.instrument() } }
    return { kind: 'observation', body: { point, seen: true } }
  }

  private pointsSeen() {
    const seen = this.inspection.checks.filter(({ check }) => check.ask.kind === 'observation')
    return [...new Set(seen.map(({ check }) => check.point))].slice(0, 1 + this.chance.below(4))
  }

  private figure({ dimension, unit }: Pick<Extract<Ask, { kind: 'reading' }>, 'dimension' | 'unit'>) {
    const typed = `${this.chance.of(['', '', '>', '<', '-'])}${this.chance.of(EDGES.map(Math.abs)).toFixed(3)} ${unit}`
    const read = parseQuantity(typed, dimension)
    const { value, relation } = read.ok ? read.quantity : { value: 1, relation: '=' as const }
    return { typed: read.ok ? typed : '1', value, unit, relation }
  }

  private instrument() {
    if (this.chance.below(3) === 0) return {}
    const accuracy = (['length', 'voltage', 'torque', 'resistance', 'insulation', 'current'] as const).map(
      (dimension) => ({ dimension, percent: 1, plus: 0.1 }),
    )
    return {
      instrument: {
        id: 'm',
        name: 'M',
        kind: 'multimeter' as const,
        serial: '1',
        calibratedUntil: this.chance.of(['2020-01-01', '2099-01-01']),
        accuracy,
      },
    }
  }

  /** An answer in the form that is asked for, complete or not. */
  private answer(form: Form): object {
    const some = <T>(all: readonly T[]): T[] => all.filter(() => this.chance.below(4) > 0)
    const pick = <T>(all: readonly T[]): T => this.chance.of(all)
    switch (form.form) {
      case 'choice':
        return { chosen: pick(form.options).id }
      case 'trace': {
        const settled = this.chance.below(2) === 0
        return {
          trace: {
            id: 't',
            sha256: 'a'.repeat(64),
            samples: 3,
            startedAt: '2026-06-01T08:00:00Z',
            source: 'typed',
          },
          channel: form.channel,
          eventAt: 2,
          end: this.chance.of([2, 9, 1000]),
          by: { limit: this.chance.of([0, 8000]), tolerance: 100, settleWithin: 10, must: 'stay-under' },
          found: { ...(settled && { settledAt: 5 }), secondsOver: 3, peak: 9000 },
        }
      }
      case 'fields':
        return {
          values: Object.fromEntries(
            some(form.fields).map((field) => [
              field.id,
              field.dimension
                ? this.figure({ dimension: field.dimension, unit: field.unit ?? '' })
                : { typed: field.options ? pick(field.options) : 'x' },
            ]),
          ),
        }
      case 'series':
        return {
          values: form.labels
            .slice(0, 1 + this.chance.below(form.labels.length))
            .map(() => this.figure(form)),
        }
      case 'order':
        return { done: some(form.items).map(({ id }) => id) }
      case 'steps':
        return {
          done: some(form.steps).map(({ id }, i) => ({
            id,
            at: new Date(Date.UTC(2026, 5, 1, 8, i * pick([0, 1, 9]))).toISOString(),
          })),
        }
      case 'switches':
        return {
          positions: Object.fromEntries(some(form.switches).map(({ id }) => [id, pick(['on', 'off'])])),
        }
      case 'photos':
        return { taken: Object.fromEntries(some(form.wanted).map(({ id }) => [id, { id, sha256: 'f' }])) }
      case 'statement':
        return { agreed: pick([true, false]) }
      case 'chain':
        return {
          leads: some(form.ports).map(({ id }) => ({
            from: id,
            to: pick(form.ports).id,
            lead: pick(form.leads),
          })),
          terminators: some(form.ports)
            .slice(0, 1)
            .map(({ id }) => id),
        }
      case 'bus':
        return {
          devices: ['a', 'b'].map((name) => ({
            name,
            address: pick([1, 2]),
            terminated: pick([true, false]),
          })),
          cable: 'twisted-pair',
          polarity: 'a-to-a',
          shield: pick(['one-end', 'no-shield']),
        }
    }
  }
}

/** A photo with four places that lie like the corners of something. */
export const photoSide = (id = 'p') => ({
  photo: { id, sha256: 'a'.repeat(64) },
  width: 1200,
  height: 900,
  places: [
    { px: 0, py: 0 },
    { px: 900, py: 10 },
    { px: 890, py: 600 },
    { px: 0, py: 620 },
  ],
})
