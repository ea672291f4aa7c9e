import type { Ask, DerivedFrom } from '../answer/ask.js'
import type { BadInput } from '../shape/bad-input.js'
import type { Judgement } from '../requirements/kind.js'

/** What the facts are called that calculators may refuse, by the last name of their path. */
const FACTS: Record<string, string> = {
  ambient: 'the ambient temperature',
  groupedCircuits: 'the count of circuits that run together',
  size: 'the size of the cable',
  length: 'the length of the cable',
  voltage: 'the voltage',
  lineSize: 'the size of the line conductor',
  faultCurrent: 'the fault current or its clearing time',
  clearingTime: 'the clearing time',
  fitted: 'the size that is fitted',
  minTemperature: 'the coldest morning',
  serial: 'a serial',
  position: 'a place that carries two things',
  id: 'a name that two things have',
  count: 'the count',
  items: 'things',
}

const WHERE = {
  wall: 'on the wall',
  array: 'on the array map',
  earthing: 'in the bonding tree',
  network: 'in the one-line diagram',
  units: 'in the preparation',
} satisfies Record<DerivedFrom, string>

/**
 * What a check comes to whose facts no calculator takes: never an error, never a pass. It says which fact is in the way and where it can be
 * corrected, and blocks the signature like everything that is not proven.
 */
export function judgeInvalidFacts({ path, reason }: BadInput, ask: Ask): Judgement {
  const name =
    path
      .split(/[.[\]]+/)
      .filter((part) => part !== '' && !/^\d+$/.test(part))
      .at(-1) ?? ''
  const fact = FACTS[name] ?? (path === '' ? 'what was entered' : `“${path}”`)
  const where = ask.kind === 'derived' ? `correct it ${WHERE[ask.from]}` : 'correct it, or read again'
  return {
    verdict: 'not-proven',
    working: [],
    notes: [],
    finding: `${fact} ${reason}`,
    wanting: `${fact} ${reason}: ${where}`,
  }
}
