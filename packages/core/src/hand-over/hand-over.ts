import { inForce } from '../job/state.js'
import { mergedOrder, type OrderConflict, type OrderOfUnit, type SiteStep } from '../power-up/merged-order.js'
import type { AnswerOf } from '../answer/forms.js'
import type { Message } from '../quantity/message.js'
import { settingRows } from '../requirements/commissioning/settings.js'
import { UNIT_KIND_WORDS } from '../sheet/terms.js'
import type { Check, JudgedCheck } from '../walk/check.js'
import type { Inspection } from '../walk/inspect.js'
import { orderOf } from '../walk/order-of.js'
import { serialOf, type SerialFound } from '../walk/serial-found.js'

/** What the customer is told when the installation is handed over: from what was read and found, and nothing else. */
export interface HandOver {
  installed: ({ label: string; kind: string; name: string } & SerialFound)[]
  settings: { unit: string; label: string; value: string; does: string | undefined }[]
  reserve: { unit: string; finding: Message }[]
  lights: { unit: string; colour: string; rhythm: string; means: string; next: string | undefined }[]
  switchOff: { steps: SiteStep[]; conflicts: OrderConflict[] }
  /** What is not as it must be, or not known: said before anything is signed as received. */
  open: { place: string; title: string; verdict: 'does-not-conform' | 'not-proven' | 'not-inspected' }[]
}

/** Gathers it from a job as it is judged. Equal units of one sheet share their lights. */
export function handOver({ state, sheets, checks }: Inspection): HandOver {
  const applying = checks.filter(({ check }) => check.because === undefined)
  return {
    installed: state.asBuilt.units.flatMap((unit) => {
      const sheet = sheets.get(unit.sheetId)
      if (!sheet || sheet.kind === 'installation') return []
      const named = {
        label: unit.label,
        kind: UNIT_KIND_WORDS[sheet.kind],
        name: `${sheet.maker} ${sheet.model}`,
      }
      return [{ ...named, ...serialOf(unit, checks) }]
    }),
    settings: applying.flatMap(settingsIn),
    reserve: applying.flatMap(({ check, outcome }) =>
      check.requirement.kind === 'reserve' && outcome.verdict === 'conforms'
        ? [{ unit: check.unit.label, finding: outcome.finding }]
        : [],
    ),
    lights: lightsIn(applying),
    switchOff: mergedOrder(applying.flatMap(({ check }) => downOf(check))),
    open: applying.flatMap(({ check: { place, title }, outcome: { verdict } }) =>
      verdict === 'does-not-conform' || verdict === 'not-proven' || verdict === 'not-inspected'
        ? [{ place, title, verdict }]
        : [],
    ),
  }
}

function settingsIn({ check: { requirement, unit }, history }: JudgedCheck): HandOver['settings'] {
  const current = inForce(history)
  if (requirement.kind !== 'settings' || current?.kind !== 'record') return []
  const { values = {} } = current.body.answer as Partial<AnswerOf<'fields'>>
  return settingRows(requirement.settings, values).flatMap(({ setting, does }) => {
    const typed = values[setting.id]?.typed
    if (!typed) return []
    const value = setting.unit ? `${typed} ${setting.unit}` : typed
    return [{ unit: unit.label, label: setting.label, value, does }]
  })
}

function lightsIn(checks: readonly JudgedCheck[]): HandOver['lights'] {
  const seen = new Set<string>()
  return checks.flatMap(({ check: { requirement, unit, sheet } }) => {
    if (requirement.kind !== 'indicator') return []
    const key = `${sheet.maker} ${sheet.model} ${requirement.id}`
    if (seen.has(key)) return []
    seen.add(key)
    return requirement.patterns.map(({ colour, rhythm, means, next }) => ({
      unit: `${unit.label}, ${requirement.title.toLowerCase()}`,
      colour,
      rhythm,
      means,
      next,
    }))
  })
}

/** Switching off as far as a customer does it: what needs a qualified person is left out. */
function downOf(check: Check): OrderOfUnit[] {
  const order = orderOf(check, 'down')
  const { requirement } = check
  if (!order || requirement.kind !== 'ordered-steps') return []
  const qualified = new Set(requirement.steps.filter((step) => step.qualified).map(({ id }) => id))
  return [{ ...order, steps: order.steps.filter(({ id }) => !qualified.has(id)) }]
}
