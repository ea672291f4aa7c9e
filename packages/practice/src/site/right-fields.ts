import type { Check, FormField, KindName } from '@plumb-mark/core'
import type { Chance } from '../chance.js'
import { as, figure } from './asked.js'
import type { Site } from './site.js'

type Field = { typed: string; value?: number }
type Values = Record<string, Field>

/** What stands in the fields of an answer where everything is as it should be. */
export function rightFields(check: Check, fields: readonly FormField[], site: Site): Values {
  const of = FIELDS[check.requirement.kind]
  if (!of) throw new Error(`nothing to fill in for ${check.requirement.kind}`)
  return of(check, site, fields)
}

const words = (typed: string): Field => ({ typed })
const RUNNING_LOADS = [1000, 2000, 3200]
const MOMENTS = [
  { grid: 1200, solar: 0, battery: 0 },
  { grid: -2600, solar: 3800, battery: 0 },
  { grid: 0, solar: 900, battery: 1400 },
]

const FIELDS: {
  [K in KindName]?: (check: Check, site: Site, fields: readonly FormField[]) => Values
} = {
  counts: (check) =>
    Object.fromEntries(as(check, 'counts').items.map(({ id, count }) => [id, figure(count)])),
  nameplate: (_check, _site, fields) =>
    Object.fromEntries(fields.map(({ id, required }) => [id, words(String(required) || 'X-1')])),
  settings,
  'roll-call': (_check, site) => {
    const { length } = site.find('devices-fitted').flatMap(({ body }) => body.devices)
    return { ever: figure(length), lately: figure(length) }
  },
  production,
  reserve: () => ({ reserve: words('30'), load: figure(600, '600 W'), told: words('the customer') }),
  gland: (check) => {
    const { without } = as(check, 'gland').glands.find(({ id }) => id === check.subject.id)!
    return { diameter: figure((without.min! + without.max!) / 2), ring: words('taken out') }
  },
  fixings: (check) => {
    const requirement = as(check, 'fixings')
    const holes = (['diameter', 'depth', 'spacing'] as const).flatMap((name) => {
      const window = requirement[name] as { min: number; max?: number } | undefined
      return window
        ? [[name, figure(window.max ? (window.min + window.max) / 2 : window.min + 20)] as const]
        : []
    })
    return { wall: words('concrete'), count: figure(requirement.count), ...Object.fromEntries(holes) }
  },
  'ct-proof': (_check, { chance }) => provenBy(chance),
  'power-balance': (_check, { chance }) =>
    Object.fromEntries(
      MOMENTS.flatMap((moment, i) =>
        Object.entries(moment).map(([side, power]) => [
          `${side}${i + 1}`,
          figureIn('W', power === 0 ? 0 : power + chance.whole(-20, 20)),
        ]),
      ),
    ),
  presence: () => ({ reason: words('there is none here') }),
}

const figureIn = (unit: string, value: number) => figure(value, `${value} ${unit}`)

function provenBy(chance: Chance): Values {
  return Object.fromEntries(
    RUNNING_LOADS.flatMap((load, i) => [
      [`v${i + 1}`, figure(230)],
      [`p${i + 1}`, figure(load)],
      [`r${i + 1}`, figure(load + chance.whole(-15, 15))],
      [`q${i + 1}`, figure(chance.whole(-15, 15))],
    ]),
  )
}

interface Rule {
  equals?: unknown
  oneOf?: readonly unknown[]
  min?: number
  max?: number
}

/** A value that a rule takes; anything where there is none. */
function middleOf(rule: Rule | undefined): string {
  if (!rule) return 'as it stands'
  const { equals, oneOf, min, max } = rule
  return String(equals ?? oneOf?.[0] ?? ((min ?? max! - 2) + (max ?? min! + 2)) / 2)
}

function settings(check: Check, site: Site): Values {
  const { settings: all, together = [] } = as(check, 'settings')
  const fitted = (kind: string) =>
    site.find('unit-fitted', ({ sheetId }) => site.sheets.get(sheetId)?.kind === kind).length
  const found: Values = Object.fromEntries(all.map(({ id, rule }) => [id, words(middleOf(rule as Rule))]))
  for (const one of together) if (one.rule === 'as-fitted') found[one.a] = words(String(fitted(one.kind!)))
  for (const { rule, a, b, is, with: those } of together)
    if (rule === 'goes-with' && is!.includes(found[a]!.typed)) found[b!] = words(those![0]!)
  return found
}

/** By the light of the moment and all modules behind the inverter, inside the limit of the inverter. */
function production(check: Check, site: Site): Values {
  const { chance } = site
  const irradiance = chance.whole(500, 950)
  const cell = chance.whole(10, 45)
  const { power: pmax, pmaxTempCoeff } = [...site.sheets.values()].find(
    ({ kind }) => kind === 'module',
  )!.module!
  const strings = site.find('string-built', ({ unitId }) => unitId === check.unit.id)
  const count = strings.reduce((sum, { body }) => sum + body.count, 0)
  const light = count * pmax! * (irradiance / 1000) * (1 + (pmaxTempCoeff! / 100) * (cell - 25)) * 0.95
  const most = as(check, 'production').inverterMax ?? Infinity
  const power = Math.round(Math.min(light, most) * chance.between(0.97, 1.02))
  return {
    power: figureIn('W', power),
    irradiance: figureIn('W/m²', irradiance),
    cell: figureIn('°C', cell),
  }
}
