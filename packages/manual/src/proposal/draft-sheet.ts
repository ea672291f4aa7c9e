import { stringify } from 'yaml'
import type { UnitKind } from '@plumb-mark/core'
import type { Device, Fact } from '../finders/spot.js'
import { requirementOf } from './by-kind.js'
import { figure, idOf, range, type Data } from './proposed.js'
import { askedOfTerminals, terminalsOf } from './terminals.js'
import { alarmsOf, clearanceOf, indicatorOf, settingsOf, stepsOf } from './together.js'

export interface DraftHead {
  maker?: string
  model?: string | undefined
  kind?: UnitKind
  title?: string
  revision?: string
  /** YYYY-MM-DD; left empty, the sheet asks for it. */
  date?: string
  source?: string
  manual?: {
    digest: string
    title?: string
    edition?: string
    pages?: number
    decided?: ByPerson[]
    notDemanded?: ByPerson[]
  }
}

/** What a person said of the manual as a whole. */
export interface ByPerson {
  what: string
  by: string
  /** YYYY-MM-DD */
  on: string
}

/** The kind of unit that is proposed for a manual; a person says which it is. */
export const KIND_OF_DEVICE: Record<Device, UnitKind> = {
  inverter: 'hybrid-inverter',
  battery: 'battery',
  meter: 'meter',
  other: 'gateway',
}

/** A sheet out of facts, in the format of sheet files: what was found, and nothing that was not. Every requirement says where it stands. */
export function draftSheet(
  { facts, device, title = '' }: { facts: readonly Fact[]; device: Device; title?: string },
  head: DraftHead = {},
): Data {
  const taken = new Set<string>()
  const of = (kind: Fact['kind']) => facts.filter((fact) => fact.kind === kind)
  const clear = clearanceOf(of('clearance'))
  const { terminals, of: atTerminals } = terminalsOf(facts)
  const alone = facts.filter((fact) => !clear?.of.includes(fact) && !atTerminals.has(fact))
  const together = [
    clear?.requirement,
    ...askedOfTerminals(terminals, atTerminals),
    stepsOf(of('step')),
    settingsOf(of('setting')),
    indicatorOf(of('indicator')),
    alarmsOf(of('alarm')),
  ]
  const requirements = [...together, ...alone.map(requirementOf)]
    .filter((one): one is Data => one !== undefined)
    .map((one) => ({ id: idOf(String(one['title']), taken), ...withoutEmpty(one) }))
  return withoutEmpty({
    format: 'plumb-mark-sheet',
    version: 1,
    maker: head.maker ?? '',
    model: head.model ?? '',
    kind: head.kind ?? KIND_OF_DEVICE[device],
    title: head.title ?? title,
    revision: head.revision ?? 'A',
    date: head.date ?? '',
    source: head.source ?? title,
    ...(head.manual && { manual: head.manual }),
    ...massOf(of('mass')),
    ...sizeOf(of('size')),
    ratings: ratingsOf(of('rating')),
    terminals: terminals.map(withoutEmpty),
    requirements,
  })
}

const withoutEmpty = (data: Data): Data =>
  Object.fromEntries(Object.entries(data).filter(([, value]) => value !== undefined))

/** The same as text, a requirement after the other. */
export const sheetSource = (data: Data): string =>
  stringify(data, { lineWidth: 110, flowCollectionPadding: true })

function massOf(facts: readonly Fact[]): Data {
  const [first] = facts
  const mass = first?.value ?? first?.max ?? first?.min
  return mass === undefined ? {} : { mass: figure(mass, 'kg') }
}

function sizeOf(facts: readonly Fact[]): Data {
  const edge = (name: string) => {
    const fact = facts.find(({ subject }) => subject.endsWith(name))
    const long = fact?.value ?? fact?.max ?? fact?.min
    return long === undefined ? undefined : figure(long, 'mm')
  }
  const [width, height, depth] = [edge('width'), edge('height'), edge('depth')]
  return width && height && depth ? { size: { width, height, depth } } : {}
}

const ratingsOf = (facts: readonly Fact[]) =>
  facts.map((fact) => {
    const { min, max } = range(fact)
    return {
      name: fact.subject || 'rating',
      value: min && max && min !== max ? `${min} to ${max}` : (max ?? min ?? ''),
    }
  })
