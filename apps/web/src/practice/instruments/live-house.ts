import type { ChannelAt } from '@plumb-mark/core'
import { advance, house, meterReadings, type Plant } from '@plumb-mark/devices/site'
import type { Sits } from '@plumb-mark/practice'

const VOLTS = 230
const BASE_LOADS = [900, 700, 600]
/** s */
const MOMENT = 0.25

/** A house whose meter has its transformers so, simulated as the stand-in meters are; a known load on each phase is switched by hand. */
export class LiveHouse {
  private readonly plant: Plant

  constructor(sits: readonly Sits[]) {
    this.plant = { ...house('Practice', sits.length, VOLTS, [], BASE_LOADS), transformers: [...sits] }
    this.pass(1)
  }

  pass(seconds: number): void {
    advance(this.plant, seconds)
  }

  turn(phase: number): void {
    const load = this.tests[phase]
    if (load) load.on = !load.on
    // What is written down right afterwards is what the meter shows now.
    this.pass(MOMENT)
  }

  get tests() {
    return this.plant.loads.filter(({ name }) => name === 'test')
  }

  /** What the meter shows on every channel at this moment. */
  get channels(): ChannelAt[] {
    return meterReadings(this.plant).map(({ watts, vars }) => ({
      voltage: VOLTS,
      active: watts,
      reactive: vars,
    }))
  }
}
