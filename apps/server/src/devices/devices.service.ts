import { setTimeout as sleep } from 'node:timers/promises'
import { Injectable, type OnApplicationShutdown } from '@nestjs/common'
import { Observable } from 'rxjs'
import type { DeviceFound, LiveDevice, LiveDevices, ScanDto, ScanStep } from '@plumb-mark/contract'
import {
  MOST_ADDRESSES,
  addressCount,
  addressesBetween,
  pointKey,
  pointsAsked,
  type Connection,
  type DevicePoint,
  type Inspection,
  type JobId,
  type Person,
} from '@plumb-mark/core'
import { EntriesService } from '../entries/entries.service.js'
import { Refused } from '../http/refused.js'
import { call } from './calling.js'
import { DeviceLink } from './device-link.js'
import { LIVE_POINTS } from './live-points.js'
import type { DeviceAddress } from './modbus-line.js'
import { NetworksService } from './networks.service.js'

export const MOST_LINKS = 32
const EVERY_MS = 1000
/** How long the screen waits for the slowest device before it is told what the others say. */
const PATIENCE_MS = 300
const SCANS_AT_ONCE = 32

interface Watched {
  links: Map<string, DeviceLink>
  listeners: number
  /** By which the lines were chosen. */
  followed?: Inspection
}

/** Asks the devices of jobs while somebody looks at them. Nothing is ever written to a device. */
@Injectable()
export class DevicesService implements OnApplicationShutdown {
  private readonly watched = new Map<JobId, Watched>()

  constructor(
    private readonly entries: EntriesService,
    private readonly networks: NetworksService,
  ) {}

  /** Who answers there. Refused, with the reason in words, when nobody does or it may not be asked; ends when the asker has gone. */
  async ask(at: DeviceAddress, gone: AbortSignal): Promise<DeviceFound> {
    await this.networks.requireAllowed(at.host)
    return identify(at, gone).catch((problem: Error) => {
      throw new Refused(422, 'no-device', `${at.host}:${at.port} ${problem.message}`, 'host')
    })
  }

  /** The devices of a job once a second, as long as somebody listens; the lines end with the last listener. */
  live(person: Person, jobId: JobId): Observable<LiveDevices> {
    return new Observable((subscriber) => {
      let timer: NodeJS.Timeout | undefined
      let gone = false
      const tell = async () => {
        const { inspection } = await this.entries.jobFor(person, jobId)
        if (gone) return
        const { connections } = inspection.state.asBuilt
        const links = this.follow(jobId, inspection)
        await Promise.race([Promise.all([...links.values()].map((link) => link.tick())), sleep(PATIENCE_MS)])
        const devices = connections.map((one) => links.get(keyOf(one))?.live ?? waiting(one))
        if (!gone) subscriber.next({ at: new Date().toISOString(), devices })
      }
      const start = async () => {
        this.join(jobId)
        await tell()
        const again = () => void tell().catch((problem: unknown) => subscriber.error(problem))
        if (!gone) timer = setInterval(again, EVERY_MS)
      }
      start().catch((problem: unknown) => subscriber.error(problem))
      return () => {
        gone = true
        clearInterval(timer)
        this.leave(jobId)
      }
    })
  }

  /** Calls every place of a small range, a few at a time, telling how far it is; whoever stops listening stops it. */
  async scan({ from, to, fromPort, toPort, address }: ScanDto): Promise<Observable<ScanStep>> {
    const ports = Math.max(0, toPort - fromPort + 1)
    // Counted before any of them is written down.
    const count = addressCount(from, to) * ports
    if (count === 0 || count > MOST_ADDRESSES)
      throw new Refused(
        400,
        'out-of-range',
        count === 0
          ? 'the range runs backwards, or an address in it cannot be read'
          : `a range has at most ${MOST_ADDRESSES} addresses and ports together, this one ${count}`,
        'to',
      )
    const hosts = addressesBetween(from, to)
    await this.networks.requireAllowed(...hosts)
    const places = hosts.flatMap((host) =>
      Array.from({ length: ports }, (_, i) => ({ host, port: fromPort + i, address })),
    )
    return new Observable((subscriber) => {
      const gone = new AbortController()
      let asked = 0
      const left = [...places]
      const worker = async () => {
        for (let place = left.shift(); place && !gone.signal.aborted; place = left.shift()) {
          // Asked at every place: a network that was taken back in the middle is called no more.
          await this.networks.requireAllowed(place.host)
          const found = await identify(place, gone.signal).catch(() => undefined)
          asked++
          subscriber.next({ asked, of: places.length, ...(found && { found }) })
        }
      }
      Promise.all(Array.from({ length: SCANS_AT_ONCE }, worker)).then(
        () => {
          subscriber.next({ done: true, asked, of: places.length })
          subscriber.complete()
        },
        (problem: unknown) => subscriber.error(problem),
      )
      return () => gone.abort()
    })
  }

  onApplicationShutdown(): void {
    for (const { links } of this.watched.values()) for (const link of links.values()) link.end()
    this.watched.clear()
  }

  private join(jobId: JobId): void {
    const there = this.watched.get(jobId) ?? { links: new Map<string, DeviceLink>(), listeners: 0 }
    there.listeners++
    this.watched.set(jobId, there)
  }

  private leave(jobId: JobId): void {
    const there = this.watched.get(jobId)
    if (!there || --there.listeners > 0) return
    for (const link of there.links.values()) link.end()
    this.watched.delete(jobId)
  }

  /** Opens lines to what was connected since, as far as lines are free, and ends those to what is no more. */
  private follow(jobId: JobId, inspection: Inspection): ReadonlyMap<string, DeviceLink> {
    const there = this.watched.get(jobId)
    if (!there) return new Map()
    const { connections } = inspection.state.asBuilt
    // What a job wants of its devices changes only with the job; one that waits for a line is looked at again.
    if (there.followed === inspection && there.links.size === connections.length) return there.links
    there.followed = inspection
    const keys = new Set(connections.map(keyOf))
    for (const [key, link] of there.links)
      if (!keys.has(key)) {
        link.end()
        there.links.delete(key)
      }
    for (const connection of connections) {
      const points = pointsOf(connection, inspection)
      const link = there.links.get(keyOf(connection))
      if (link) link.want(points)
      else if (this.count() < MOST_LINKS) {
        const allowed = () => this.networks.requireAllowed(connection.host)
        there.links.set(keyOf(connection), new DeviceLink(connection, points, allowed))
      }
    }
    return there.links
  }

  private count(): number {
    return [...this.watched.values()].reduce((sum, { links }) => sum + links.size, 0)
  }
}

const keyOf = ({ id, host, port, address }: Connection): string => `${id} ${host} ${port} ${address}`

/** One for which no line is free: said, and asked as soon as one is. */
const waiting = ({ id, unitId }: Connection): LiveDevice => ({
  id,
  unitId,
  state: 'waiting',
  since: new Date().toISOString(),
  problem: `${MOST_LINKS} devices are asked already: this one is asked as soon as a line is free`,
  points: {},
})

function pointsOf({ unitId }: Connection, { state, sheets, checks }: Inspection): DevicePoint[] {
  const unit = state.asBuilt.units.find(({ id }) => id === unitId)
  const kind = unit && sheets.get(unit.sheetId)?.kind
  const all = [...LIVE_POINTS, ...pointsAsked(unitId, kind, checks)]
  return [...new Map(all.map((point) => [pointKey(point), point])).values()]
}

async function identify(at: DeviceAddress, gone: AbortSignal): Promise<DeviceFound> {
  const { line, found } = await call(at, gone)
  line.close()
  return found
}
