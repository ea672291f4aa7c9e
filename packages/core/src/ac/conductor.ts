import { amps } from '../quantity/figure.js'
import { msg, type Message, joinMessages } from '../quantity/message.js'
import type { Read } from '../shape/shape.js'
import { worst, type JudgedVerdict } from '../verdict/verdict.js'
import {
  CONDUCTOR_CHECK_WORDS,
  conductorInput,
  type ConductorInput,
  type ConductorResult,
  type IecConductor,
  type Load,
  type NecConductor,
  type SchoolJudgement,
} from './conductor-input.js'
import { judgeIec } from './conductor-iec.js'
import { judgeNec } from './conductor-nec.js'
import { IEC_SIZES, NEC_SIZES } from './conductor-tables.js'

/**
 * Is the fitted cable right for every source that can feed it? A conductor fed from several sources must carry their sum unless a
 * device downstream limits it. A, V, m; sizes in mm² (iec) or AWG (nec); every limit included.
 * Bad input: a size that is not in the school's table, an ambient temperature or a grouping beyond its list.
 * Source: IEC 60364-5-52 and the US installation code's ampacity articles, representative tables.
 */
export function conductor(input: ConductorInput): ConductorResult {
  const given = conductorInput.read(input, '')
  const load = loadOf(given)
  const judged = judgeSize(given, load)
  const failed = judged.checks.filter(({ verdict }) => verdict !== 'conforms')
  return {
    designCurrent: load.designCurrent,
    ampacity: judged.ampacity,
    ambientFactor: judged.ambientFactor,
    groupingFactor: judged.groupingFactor,
    dropVolts: judged.dropVolts,
    dropPercent: judged.dropPercent,
    checks: judged.checks,
    verdict: worst(judged.checks.map(({ verdict }) => verdict)) as JudgedVerdict,
    working: [...load.working, ...judged.working],
    notes: [
      ...load.notes,
      ...(failed.length > 0
        ? [...failed.map(({ id }) => CONDUCTOR_CHECK_WORDS[id]), ...remedies(given, load)]
        : []),
      'the tables are representative; the local code and a licensed person decide',
    ],
  }
}

type Given = Read<typeof conductorInput>

function judgeSize(given: Given, load: Load): SchoolJudgement {
  return given.school === 'iec'
    ? judgeIec(given as IecConductor, load)
    : judgeNec(given as NecConductor, load)
}

const passes = (given: Given, load: Load) =>
  judgeSize(given, load).checks.every(({ verdict }) => verdict === 'conforms')

/** What would help: the next size that passes every check, or the source that was forgotten when device and cable were chosen. */
function remedies(given: Given, load: Load): Message[] {
  const sizes: readonly (number | string)[] = given.school === 'iec' ? IEC_SIZES : NEC_SIZES
  const larger = sizes
    .slice(sizes.indexOf(given.size) + 1)
    .find((size) => passes({ ...given, size } as Given, load))
  const forgotten =
    given.sources.length < 2
      ? undefined
      : given.sources.findLast((source) => {
          const without = { ...given, sources: given.sources.filter((other) => other !== source) }
          return passes(without, loadOf(without))
        })
  return [
    ...(larger === undefined
      ? ['no larger size alone passes every check: look at the device, the sources and the terminal']
      : [`the next size that passes every check is ${larger} ${given.school === 'iec' ? 'mm²' : 'AWG'}`]),
    ...(forgotten
      ? [
          msg`without ${forgotten.name} (${amps(forgotten.amps)}) it would pass: was that source left out when device and cable were chosen?`,
        ]
      : []),
  ]
}

function loadOf({
  sources,
  downstreamDevice,
  protectiveDevice,
  pvSource,
}: Pick<IecConductor, 'sources' | 'downstreamDevice' | 'protectiveDevice' | 'pvSource'>): Load {
  const sum = sources.reduce((total, source) => total + source.amps, 0)
  const limited = downstreamDevice !== undefined && downstreamDevice < sum
  const designCurrent = limited ? downstreamDevice : sum
  const current = limited || !pvSource ? designCurrent : designCurrent * 1.25
  const devices = [protectiveDevice, downstreamDevice].filter((device) => device !== undefined)
  const said = joinMessages(
    sources.map(({ name, amps: each }) => msg`${name} ${amps(each)}`),
    ' + ',
  )
  return {
    designCurrent,
    limited,
    current,
    device: devices.length > 0 ? Math.max(...devices) : undefined,
    working: [
      msg`sources: ${said} = ${amps(sum)}${limited ? msg`, limited by the device downstream to ${amps(designCurrent)}` : ''}`,
      ...(current === designCurrent
        ? []
        : [msg`PV source: 1.25 × ${amps(designCurrent)} = ${amps(current)}`]),
    ],
    notes:
      sources.length > 1 && !limited
        ? [
            'several sources feed this conductor: a supply fuse alone says nothing about the part beyond the second one',
          ]
        : [],
  }
}
