import type { UnitBuilt } from '../as-built/unit.js'
import type { When } from '../sheet/when.js'
import type { JudgementContext } from './judgement-context.js'
import { UNIT_KIND_WORDS } from '../sheet/terms.js'

/**
 * Why a requirement does not apply to a unit; undefined when it does. What nobody has said yet (indoors or outdoors, hung or standing)
 * counts as if it applied: a check too many is safer than one too few.
 */
export function whyNot(
  when: When | undefined,
  unit: UnitBuilt,
  context: Pick<JudgementContext, 'asBuilt' | 'header' | 'sheetOf'>,
): string | undefined {
  if (!when) return undefined
  const { placed, mounted } = unit.situation ?? {}
  const has = (kind: string) => context.asBuilt.units.some(({ id }) => context.sheetOf(id)?.kind === kind)
  const own = context.sheetOf(unit.id)
  const alike = context.asBuilt.units.filter(({ id, sheetId }) => {
    const sheet = context.sheetOf(id)
    return sheetId === unit.sheetId || (own && sheet?.maker === own.maker && sheet.model === own.model)
  }).length
  const school = context.header?.school ?? 'iec'
  const reasons: (string | false | undefined)[] = [
    when.placed && placed && when.placed !== placed && `it stands ${placed}`,
    when.mounted && mounted && when.mounted !== mounted && MOUNTED_WORDS[mounted],
    when.battery !== undefined &&
      when.battery !== has('battery') &&
      (when.battery ? 'no battery is fitted' : 'a battery is fitted'),
    when.several !== undefined &&
      when.several !== alike > 1 &&
      (when.several ? 'it is the only one of its kind' : 'there are several of its kind'),
    when.school &&
      when.school !== school &&
      `the job follows ${school === 'iec' ? 'IEC-style' : 'NEC-style'} rules`,
    when.fitted && !has(when.fitted) && `no ${UNIT_KIND_WORDS[when.fitted]} on this job`,
  ]
  return reasons.find((reason): reason is string => typeof reason === 'string')
}

const MOUNTED_WORDS = {
  wall: 'it hangs off the floor',
  floor: 'it stands on the floor',
  roof: 'it lies on the roof',
}
