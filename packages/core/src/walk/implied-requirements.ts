import type { Entered } from '../job/scope.js'
import type { KindName, Requirement } from '../requirements/kinds.js'
import type { Sheet } from '../requirements/sheet.js'
import type { Severity } from '../sheet/terms.js'
import type { Stage } from '../sheet/stages.js'
import type { UnitKind } from '../sheet/terms.js'

interface Brought {
  by: readonly UnitKind[]
  /** A requirement of these kinds asks for it already. */
  unless: readonly Requirement['kind'][]
  stage: Stage
  severity: Severity
  title: string
  question: string
  remedy: string
}

const INVERTERS = ['hybrid-inverter', 'string-inverter'] as const

/** What a kind of unit brings that must be there, whatever its sheet says. */
const BROUGHT: Record<Exclude<Entered, 'photos'>, Brought> = {
  strings: {
    by: INVERTERS,
    unless: [],
    stage: 'dc',
    severity: 'major',
    title: 'Strings on every input',
    question: 'Enter the string on this input, or say that it is idle and capped.',
    remedy: 'Enter the string, or cap the idle input.',
  },
  'one-line': {
    by: [...INVERTERS, 'small-inverter', 'battery'],
    unless: [],
    stage: 'ac',
    severity: 'major',
    title: 'Traced to the grid',
    question: 'Trace this unit in the one-line diagram, from the grid to it.',
    remedy: 'Trace it in the one-line diagram.',
  },
  bonds: {
    by: [...INVERTERS, 'battery', 'module'],
    unless: ['bonding'],
    stage: 'earthing',
    severity: 'major',
    title: 'Bonded to the main earth terminal',
    question: 'Enter the bonds from its conductive parts to the main earth terminal.',
    remedy: 'Bond it, and enter the bond.',
  },
  places: {
    by: [...INVERTERS, 'battery', 'gateway', 'controller', 'dc-isolator'],
    unless: ['clearance'],
    stage: 'place-and-mount',
    severity: 'minor',
    title: 'Place on the wall',
    question: 'Measure where it hangs on the wall.',
    remedy: 'Measure its place.',
  },
  serials: {
    by: [...INVERTERS, 'small-inverter', 'module-electronics', 'battery', 'meter', 'gateway'],
    unless: ['nameplate', 'serial-map'],
    stage: 'identify',
    severity: 'minor',
    title: 'Serial',
    question: 'Read the serial.',
    remedy: 'Read the serial off the plate.',
  },
}

const CACHE = new WeakMap<Sheet, readonly Requirement[]>()

/** What has to be entered of a unit of a sheet, as requirements beside those of the sheet. */
export function impliedRequirements(sheet: Sheet): readonly Requirement[] {
  const known = CACHE.get(sheet)
  if (known) return known
  const own = (Object.keys(BROUGHT) as (keyof typeof BROUGHT)[]).flatMap((entered): Requirement[] => {
    const { by, unless, ...said } = BROUGHT[entered]
    const asked = sheet.requirements.some(({ kind }) => unless.includes(kind))
    return by.includes(sheet.kind) && !asked
      ? [{ kind: 'presence', id: `entered-${entered}`, clause: 'asked by Plumb Mark', entered, ...said }]
      : []
  })
  const found = [...own, ...sheet.requirements.flatMap(photoOf)]
  CACHE.set(sheet, found)
  return found
}

/** A photo that the sheet wants of something that is read off a drawing, which has no evidence of its own to carry it. */
function photoOf(requirement: Requirement): Requirement[] {
  if (!requirement.photo || !isDerived(requirement)) return []
  const { id, stage, clause, title, severity, when } = requirement
  return [
    {
      kind: 'presence',
      id: `photo-${id}`,
      stage,
      clause,
      title: `Photo: ${title}`,
      severity,
      remedy: 'Take the photo.',
      photo: true,
      entered: 'photos',
      of: id,
      question: `Is “${title}” shown in a photo?`,
      ...(when && { when }),
    },
  ]
}

/** Kinds that ask nothing of their own. */
const DERIVED: readonly KindName[] = [
  'branch-limits',
  'bonding',
  'clearance',
  'cold-limit',
  'companion',
  'conductor-size',
  'earth-size',
  'like-strings',
  'part-rating',
  'ports',
  'protection',
  'serial-map',
  'string-limits',
  'tracker-window',
]
const isDerived = ({ kind }: Requirement): boolean => DERIVED.includes(kind)
