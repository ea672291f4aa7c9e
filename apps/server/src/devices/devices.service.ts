import { setTimeout as sleep } from 'node:timers/promises'
import { Injectable, type OnApplicationShutdown } from '@nestjs/common'
import { Observable } from 'rxjs'
import type { DeviceFound, LiveDevices, ScanDto, ScanStep } from '@plumb-mark/contract'
import {
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
import { DeviceLink, wordsFor } from './device-link.js'
import { LIVE_POINTS } from './live-points.js'
import { ModbusLine, type DeviceAddress } from './modbus-line.js'
import { NetworksService } from './networks.service.js'
import { findModels, nameOf } from './open-map.js'

export const MOST_LINKS = 32
const EVERY_MS = 1000
/** How long the screen waits for the slowest device before it is told what the others say. */
const PATIENCE_MS = 300
const MOST_PLACES = 256
const SCANS_AT_ONCE = 8

interface Watched {
  /** By which the lines were chosen. */
  followed?: Inspection
  links: Map<string, DeviceLink>
  listeners: number
}

/** Asks the devices of jobs while somebody looks at them. Nothing is ever written to a device. */
@Injectable()
export class DevicesService implements OnApplicationShutdown {
  private readonly watched = new Map<JobId, Watched>()

  constructor(
    private readonly entries: EntriesService,
    private readonly networks: NetworksService,
  ) {}

  /** Who answers there. Refused, with the reason in words, when nobody does or it may not be asked. */
  async ask(at: DeviceAddress): Promise<DeviceFound> {
    await this.networks.requireAllowed(at.host)
    const found = await identify(at).catch((problem: Error) => {
      throw new Refused(422, 'no-device', `${at.host}:${at.port} ${wordsFor(problem)}`, 'host')
    })
    return found
  }

  /** The devices of a job once a second, as long as somebody listens; the lines end with the last listener. */
  live(person: Person, jobId: JobId): Observable<LiveDevices> {
    return new Observable((subscriber) => {
      let timer: NodeJS.Timeout | undefined
      let gone = false
      const tell = async () => {
        const { inspection } = await this.entries.jobFor(person, jobId)
        if (gone) return
        this.follow(jobId, inspection)
        const links = [...(this.watched.get(jobId)?.links.values() ?? [])]
        await Promise.race([Promise.all(links.map((link) => link.tick())), sleep(PATIENCE_MS)])
        if (!gone) subscriber.next({ at: new Date().toISOString(), devices: links.map(({ live }) => live) })
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
  scan({ from, to, fromPort, toPort, address }: ScanDto): Observable<ScanStep> {
    return new Observable((subscriber) => {
      let stopped = false
      const run = async () => {
        const hosts = addressesBetween(from, to)
        const ports = Array.from({ length: Math.max(0, toPort - fromPort + 1) }, (_, i) => fromPort + i)
        const places = hosts.flatMap((host) => ports.map((port) => ({ host, port, address })))
        if (places.length === 0 || places.length > MOST_PLACES)
          throw new Refused(
            400,
            'out-of-range',
            `name from 1 to ${MOST_PLACES} addresses and ports together`,
            'to',
          )
        await this.networks.requireAllowed(...hosts)
        let asked = 0
        const left = [...places]
        const worker = async () => {
          for (let place = left.shift(); place && !stopped; place = left.shift()) {
            const found = await identify(place).catch(() => undefined)
            asked++
            if (!stopped) subscriber.next({ asked, of: places.length, ...(found && { found }) })
          }
        }
        await Promise.all(Array.from({ length: SCANS_AT_ONCE }, worker))
        if (!stopped) subscriber.next({ done: true, asked, of: places.length })
        subscriber.complete()
      }
      run().catch((problem: unknown) => subscriber.error(problem))
      return () => {
        stopped = true
      }
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

  /** Opens lines to what was connected since, and ends those to what is no more. */
  private follow(jobId: JobId, inspection: Inspection): void {
    const there = this.watched.get(jobId)
    // What a job wants of its devices changes only with the job.
    if (!there || there.followed === inspection) return
    there.followed = inspection
    const { connections } = inspection.state.asBuilt
    for (const [key, link] of there.links)
      if (!connections.some((one) => keyOf(one) === key)) {
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
  }

  private count(): number {
    return [...this.watched.values()].reduce((sum, { links }) => sum + links.size, 0)
  }
}

const keyOf = ({ id, host, port, address }: Connection): string => `${id} ${host} ${port} ${address}`

function pointsOf({ unitId }: Connection, { state, sheets, checks }: Inspection): DevicePoint[] {
  const unit = state.asBuilt.units.find(({ id }) => id === unitId)
  const kind = unit && sheets.get(unit.sheetId)?.kind
  const all = [...LIVE_POINTS, ...pointsAsked(unitId, kind, checks)]
  return [...new Map(all.map((point) => [pointKey(point), point])).values()]
}

async function identify(at: DeviceAddress): Promise<DeviceFound> {
  const line = await ModbusLine.open(at)
  try {
    return await nameOf(line, await findModels(line), at)
  } finally {
    line.close()
  }
}
