import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import sharp from 'sharp'
import {
  columnOf,
  limitOf,
  parseQuantity,
  readTrace,
  traceFacts,
  type Answer,
  type Ask,
  type EntryKind,
  type Instrument,
  type JobHeader,
  type JudgedCheck,
  type NewEntry,
  type Person,
  type PhotoRef,
  type PinnedSheet,
  type Role,
  type TraceAnswer,
  habitsFor,
} from '@plumb-mark/core'
import { sampleSignature } from './sample-signature.js'
import type { DemoServices } from './demo-services.js'

interface Step {
  at: string
  by: Role
  write: EntryKind
  [field: string]: unknown
}

/** A sample job as it stands in its file: the header and, in order, what was entered. */
export interface JobScript {
  header: Omit<JobHeader, 'sheets'> & { sheets: string[] }
  opened: { at: string; by: Role }
  sharedWith: Role[]
  visits?: { start: string; end: string; people: Role[]; purpose: string }[]
  entries: Step[]
}

interface TraceSaid {
  file: string
  eventAt: number
  startedAt: string
}

interface Around {
  /** Folder of the samples. */
  samples: string
  services: DemoServices
  pinned: ReadonlyMap<string, PinnedSheet>
  instruments: readonly Instrument[]
  people: readonly Person[]
}

/** Writes one sample job through the same door as everybody else: nothing gets in that core would not admit. */
export class DemoJob {
  private readonly id = uuid()
  /** Defects raised, by the check that they are about. */
  private readonly defects = new Map<string, string>()
  private waiting: { by: Role; entries: NewEntry[] } = { by: 'inspector', entries: [] }
  private asks = new Map<string, Ask>()

  constructor(
    private readonly script: JobScript,
    private readonly context: Around,
  ) {}

  async write(): Promise<void> {
    const { header, opened, sharedWith, visits = [], entries } = this.script
    const sheets = header.sheets.map((id) => this.context.pinned.get(id) ?? missing(`sheet ${id}`))
    await this.append(opened.by, {
      id: uuid(),
      kind: 'job-opened',
      at: opened.at,
      body: { ...header, sheets },
    })
    for (const role of sharedWith)
      await this.append(opened.by, {
        id: uuid(),
        kind: 'shared',
        at: opened.at,
        body: { person: asPerson(this.person(role)) },
      })
    await this.flush()
    for (const step of entries) await this.append(step.by, await this.entryOf(step))
    await this.flush()
    for (const { people, ...visit } of visits)
      await this.context.services.visits.keep(this.person('office'), uuid(), {
        jobId: this.id,
        ...visit,
        people: people.map((role) => asPerson(this.person(role))),
      })
  }

  /** Entries of one person go together: a write that is acknowledged has reached the disk, and that takes its time. */
  private async append(by: Role, entry: NewEntry): Promise<void> {
    if (by !== this.waiting.by || this.waiting.entries.length >= MOST_AT_ONCE) await this.flush()
    this.waiting = { by, entries: [...this.waiting.entries, entry] }
  }

  private async flush(): Promise<void> {
    const { by, entries } = this.waiting
    this.waiting = { by, entries: [] }
    if (entries.length > 0)
      await this.context.services.entries.append(asPerson(this.person(by)), this.id, entries)
  }

  /** The checks as they stand once everything so far is written. */
  private async checks(): Promise<readonly JudgedCheck[]> {
    await this.flush()
    return (await this.context.services.entries.jobFor(this.person('inspector'), this.id)).inspection.checks
  }

  private async head(): Promise<string> {
    await this.flush()
    return (await this.context.services.entries.jobFor(this.person('reviewer'), this.id)).entries.at(-1)!.hash
  }

  private async askAt(point: string): Promise<Ask | undefined> {
    if (!this.asks.has(point))
      this.asks = new Map((await this.checks()).map(({ check }) => [check.point, check.ask]))
    return this.asks.get(point)
  }

  private async entryOf({ at, by, write, ...said }: Step): Promise<NewEntry> {
    const id = uuid()
    const photos = await this.photosOf(said['photo'] as string | undefined, by)
    switch (write) {
      case 'reading':
        return { id, kind: write, at, body: await this.reading(said as Partial<ReadingSaid>, photos) }
      case 'observation':
        return {
          id,
          kind: write,
          at,
          body: {
            point: said['point'] as string,
            seen: said['seen'] as boolean,
            ...(said['note'] ? { note: said['note'] as string } : {}),
            ...photos,
          },
        }
      case 'record':
        return {
          id,
          kind: write,
          at,
          body: {
            point: said['point'] as string,
            answer: await this.answer(said, by),
            ...this.instrument(said['instrument'] as string | undefined),
            ...photos,
          },
        }
      case 'defect-raised':
        return {
          id,
          kind: write,
          at,
          body: { ...(await this.proposal(said['checkId'] as string)), ...photos },
        }
      case 'defect-step':
        return {
          id,
          kind: write,
          at,
          body: {
            defectId:
              this.defects.get(said['checkId'] as string) ?? missing(`defect of ${String(said['checkId'])}`),
            step: said['step'] as 'reworked',
            note: said['note'] as string,
            ...photos,
          },
        }
      case 'signed':
        return {
          id,
          kind: write,
          at,
          body: {
            licence: said['licence'] as string,
            statement: said['statement'] as string,
            drawing: await sampleSignature(),
            sealedHead: await this.head(),
          },
        }
      default:
        return { id, kind: write, at, body: said } as Pick<NewEntry, keyof NewEntry> as NewEntry
    }
  }

  private async reading(
    {
      point = missing('measuring point'),
      typed = missing('figure'),
      instrument: name,
      conditions,
      note,
    }: Partial<ReadingSaid>,
    photos: { photos?: PhotoRef[] },
  ) {
    const ask = await this.askAt(point)
    if (ask?.kind !== 'reading') return missing(`measuring point ${point}`)
    const parsed = parseQuantity(typed, ask.dimension, habitsFor(ask))
    if (!parsed.ok) return missing(`figure in “${typed}” at ${point}`)
    const { value, unit, relation } = parsed.quantity
    return {
      point,
      typed,
      value,
      unit,
      relation,
      ...this.instrument(name),
      ...(conditions && { conditions }),
      ...(note && { note }),
      ...photos,
    }
  }

  /** An answer as it stands in the file; photos and traces in it are kept first. */
  private async answer({ point, answer, trace, taken }: Record<string, unknown>, by: Role): Promise<Answer> {
    if (trace) return this.traced(point as string, trace as TraceSaid, by)
    if (!taken) return answer as Answer
    const shown: Record<string, PhotoRef> = {}
    for (const [id, caption] of Object.entries(taken as Record<string, string>))
      shown[id] = (await this.photosOf(caption, by)).photos![0]!
    return { taken: shown }
  }

  /** A trace of the samples, kept as a file and judged by the figures of the sheet. */
  private async traced(
    point: string,
    { file, eventAt, startedAt }: TraceSaid,
    by: Role,
  ): Promise<TraceAnswer> {
    const requirement = (await this.checks()).find(({ check }) => check.point === point)?.check.requirement
    if (requirement?.kind !== 'trace-test') return missing(`test with a trace at ${point}`)
    const content = await readFile(join(this.context.samples, 'traces', file))
    const { id, sha256, samples } = await this.context.services.traces.keep(
      this.person(by).id,
      this.id,
      uuid(),
      content,
    )
    const channel = requirement.watch.label
    const own = columnOf(readTrace(content.toString('utf8')), channel)
    const limit = limitOf(requirement)
    return {
      trace: { id, sha256, samples, startedAt, source: 'live' },
      channel,
      eventAt,
      end: own.t[own.t.length - 1]!,
      by: limit,
      found: traceFacts(own, eventAt, limit),
    }
  }

  private instrument(name: string | undefined): { instrument?: Instrument } {
    return name === undefined
      ? {}
      : {
          instrument: this.context.instruments.find(({ id }) => id === name) ?? missing(`instrument ${name}`),
        }
  }

  /** The defect that the failed check proposes, as an inspector would confirm it. */
  private async proposal(checkId: string) {
    const outcome = (await this.checks()).find(({ check }) => check.id === checkId)?.outcome
    if (outcome?.verdict !== 'does-not-conform') return missing(`failure of ${checkId}`)
    const defectId = uuid()
    this.defects.set(checkId, defectId)
    return { defectId, checkId, ...outcome.defect }
  }

  private async photosOf(caption: string | undefined, by: Role): Promise<{ photos?: PhotoRef[] }> {
    if (!caption) return {}
    const id = uuid()
    const { sha256 } = await this.context.services.photos.keep(
      this.person(by),
      this.id,
      id,
      await sampleDrawing(caption),
    )
    return { photos: [{ id, sha256, caption }] }
  }

  private person(role: Role): Person {
    return this.context.people.find((person) => person.role === role) ?? missing(`person in the role ${role}`)
  }
}

/** As many as one send may carry. */
const MOST_AT_ONCE = 200

interface ReadingSaid {
  point: string
  typed: string
  instrument?: string
  conditions?: { cellTemperature?: number; irradiance?: number }
  note?: string
}

const asPerson = ({ id, name, role }: Person): Person => ({ id, name, role })

function missing(what: string): never {
  throw new Error(`the samples name a ${what} that is not there`)
}

/** A generated drawing in place of a photo, marked as a sample. */
function sampleDrawing(caption: string): Promise<Buffer> {
  const words = caption.replace(/[<&>]/g, ' ')
  return sharp(
    Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="960" height="720"><rect width="960" height="720" fill="#e9e3d5"/>
      <g fill="none" stroke="#2b5d8a" stroke-width="5"><rect x="240" y="150" width="480" height="360" rx="14"/><path d="M300 510 V620 M420 510 V640 M540 510 V600 M660 510 V630"/><circle cx="480" cy="300" r="70"/><path d="M480 300 L530 260"/></g>
      <text x="480" y="90" font-size="44" text-anchor="middle" fill="#22211d" font-family="sans-serif">${words}</text>
      <text x="480" y="690" font-size="34" text-anchor="middle" fill="#a2381f" font-family="sans-serif">SAMPLE – generated drawing, no real place</text></svg>`),
  )
    .jpeg({ quality: 82 })
    .toBuffer()
}
