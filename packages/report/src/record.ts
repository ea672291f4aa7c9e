import {
  dayWords,
  inBothSystems,
  whenWords,
  type Clippings,
  type Inspection,
  type Message,
} from '@plumb-mark/core'

/** What a report is made of. */
export interface ReportRecord {
  inspection: Inspection
  /** What is broken in a sealed record. */
  broken: readonly string[]
  /** Of the key with which this installation signs seals. */
  keyFingerprint: string
  /** Cut-outs of the makers’ manuals, each file by its digest. */
  clippings?: ReadonlyMap<string, Clippings> | undefined
  /** Where the installer sees the rework; their part carries it as a code. */
  reworkAddress?: string | undefined
}

/** How this record says figures and times: in the systems of its readers, and in the time of its site. */
export interface Saying {
  say(said: Message): string
  when(at: string): string
  day(at: string): string
  zone: string
}

export function sayingOf({ state: { header } }: Inspection): Saying {
  const zone = header?.timeZone ?? 'UTC'
  const system = header?.units ?? 'metric'
  return {
    say: (said) => inBothSystems(said, system),
    when: (at) => whenWords(at, zone),
    day: (at) => dayWords(at, zone),
    zone,
  }
}
