import type { LiveDevice } from '@plumb-mark/contract'
import {
  pointKey,
  readPoint,
  registersOf,
  type Connection,
  type DeviceNamed,
  type DevicePoint,
  type PointRead,
} from '@plumb-mark/core'
import { NoDevice, call } from './calling.js'
import { lineWords } from './line-words.js'
import { DeviceRefuses, LineFault, type ModbusLine } from './modbus-line.js'
import { registersFrom } from './open-map.js'

/** Several may look at one job: a device is asked once a second all the same. */
const SOONEST_MS = 600
const FIRST_PAUSE_MS = 1000
const LONGEST_PAUSE_MS = 30_000
/** However slowly a device answers: a whole round with it takes no longer. */
const MOST_MS = 10_000

/**
 * One connection to one device: asked at every tick as long as somebody looks, called again after pauses that double when the line is
 * lost. What was read last stays, with its time; nothing is made up in between.
 */
export class DeviceLink {
  private line: ModbusLine | undefined
  private models: ReadonlyMap<number, number> = new Map()
  private pause = FIRST_PAUSE_MS
  /** Not called before, ms since 1970. */
  private notBefore = 0
  private asking = false
  /** Ends the line under whoever waits for it. */
  private hangUp = new AbortController()
  private ended = false
  private now: LiveDevice

  constructor(
    private readonly connection: Connection,
    private points: readonly DevicePoint[],
    private readonly allowed: () => Promise<void>,
  ) {
    const { id, unitId } = connection
    this.now = { id, unitId, state: 'connecting', since: new Date().toISOString(), points: {} }
  }

  get live(): LiveDevice {
    return this.now
  }

  /** What is wanted may have changed with the sheets. */
  want(points: readonly DevicePoint[]): void {
    this.points = points
  }

  end(): void {
    this.ended = true
    this.hangUp.abort()
  }

  /** Asks the device, unless it was asked just now, still owes the last answer, or a pause is not over. Never rejects. */
  async tick(): Promise<void> {
    if (this.asking || this.ended || Date.now() < this.notBefore) return
    this.asking = true
    this.notBefore = Date.now() + SOONEST_MS
    const tooLong = setTimeout(() => this.hangUp.abort(new LineFault('too-long')), MOST_MS)
    try {
      // Asked at every round: a network that was taken back is not read any more.
      await this.allowed()
      if (!this.line) await this.call()
      await this.read()
      this.pause = FIRST_PAUSE_MS
    } catch (problem) {
      this.lost(problem as Error)
    } finally {
      clearTimeout(tooLong)
      this.asking = false
    }
  }

  private async call(): Promise<void> {
    this.hangUp = new AbortController()
    const { line, models, found } = await call(this.connection, this.hangUp.signal)
    if (this.ended) return line.close()
    this.line = line
    this.models = models
    const device: DeviceNamed = { id: this.connection.id, ...found }
    this.tell({ state: 'connected', device })
  }

  private async read(): Promise<void> {
    if (!this.line || this.ended) return
    const wanted = this.points.flatMap((point) =>
      registersOf(point, { startOf: (model) => this.models.get(model) }),
    )
    const words = await this.line.readAll(wanted)
    if (wanted.length > 0 && words.size === 0) throw new DeviceRefuses(0)
    const registers = registersFrom(this.models, words)
    const points: Record<string, PointRead> = {}
    for (const point of this.points) {
      const read = readPoint(point, registers)
      if (read) points[pointKey(point)] = read
    }
    this.tell({ state: 'connected', at: new Date().toISOString(), points })
  }

  private lost(problem: Error): void {
    this.line?.close()
    this.line = undefined
    if (this.ended) return
    this.tell({ state: 'lost', problem: problem instanceof NoDevice ? problem.message : lineWords(problem) })
    this.notBefore = Date.now() + this.pause
    this.pause = Math.min(LONGEST_PAUSE_MS, this.pause * 2)
  }

  /** What was wrong before is no longer said once it is said anew how it stands. */
  private tell(change: Partial<LiveDevice> & Pick<LiveDevice, 'state'>): void {
    const { state, since, device, at, points, id, unitId } = this.now
    const kept = { id, unitId, points, ...(device && { device }), ...(at && { at }) }
    this.now = {
      ...kept,
      ...change,
      state: change.state,
      since: change.state === state ? since : new Date().toISOString(),
    }
  }
}
