import type { AnswerOf } from '../../answer/forms.js'
import { pointKey, type PointRead } from '../../device/point.js'
import { changeByKnownLoad, type ChannelAt } from '../../meter/known-load.js'
import { parseQuantity } from '../../quantity/parse.js'
import type { CtProof } from './ct-proof.js'

type Channels = readonly (ChannelAt | undefined)[]

/** What each channel says at the points that the sheet names, V, W, var; undefined for one of which a figure is not there. */
export function channelsRead(
  { from = [] }: Pick<CtProof, 'from'>,
  points: Readonly<Record<string, PointRead | undefined>>,
): (ChannelAt | undefined)[] {
  return from.map((channel) => {
    const read = [channel.voltage, channel.active, channel.reactive].map(
      (point) => points[pointKey(point)]?.value,
    )
    const [voltage, active, reactive] = read
    return typeof voltage === 'number' && typeof active === 'number' && typeof reactive === 'number'
      ? { voltage, active, reactive }
      : undefined
  })
}

export interface ProofByLoads {
  change: (ChannelAt & { load: number })[] | undefined
  /** Left out while a channel was not read at both moments, or a load is no figure. */
  answer?: AnswerOf<'fields'>
  /** What is wrong with a load as it was typed, by phase. */
  problems: (string | undefined)[]
}

/**
 * The answer to the proof of the transformers from what known loads changed, as they were typed, W unless they name a unit. A field that
 * is left blank says that nothing was switched on that phase; what cannot be read is told, and answers nothing.
 */
export function proofByLoads(before: Channels, now: Channels, typed: readonly string[]): ProofByLoads {
  const loads = now.map((_, i) => parseQuantity(typed[i]?.trim() || '0', 'power', { assume: 'W' }))
  const problems = loads.map((load) => (load.ok ? undefined : load.problem.message))
  const change = changeByKnownLoad(
    before,
    now,
    loads.map((load) => (load.ok ? load.quantity.value : 0)),
  )
  if (!change || problems.some(Boolean)) return { change, problems }
  return { change, problems, answer: { values: Object.fromEntries(change.flatMap(fieldsFor)) } }
}

const fieldsFor = ({ voltage, active, reactive, load }: ChannelAt & { load: number }, i: number) =>
  [
    [`v${i + 1}`, voltage, 'V'] as const,
    [`p${i + 1}`, load, 'W'] as const,
    [`r${i + 1}`, active, 'W'] as const,
    [`q${i + 1}`, reactive, 'var'] as const,
  ].map(([id, value, unit]) => [id, { typed: `${value} ${unit}`, value }] as const)
