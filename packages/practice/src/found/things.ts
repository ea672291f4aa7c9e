import { canonicalJson, formatQuantity, type Entry, type EntryBodies, type Stage } from '@plumb-mark/core'

/** What stands on the site as the drawings have it; how it is really, the tape tells, or what is printed on it. */
export type ThingKind = 'unit-fitted' | 'bond-made' | 'part-placed' | 'conductor-run' | 'string-built'
export type ThingKey = `${ThingKind}:${string}`
export type ThingFound = { [K in ThingKind]: { kind: K; body: EntryBodies[K] } }[ThingKind]

export interface Thing {
  key: ThingKey
  stage: Stage
  title: string
  /** With what it is looked at. */
  place: string
  drawn: ThingFound
}

type Names = ReadonlyMap<string, string>
interface Kind<Body> {
  stage: Stage
  look: string
  /** False of what no tape and no print says anything of. */
  tells: (body: Body) => boolean
  title: (body: Body, names: Names) => string
  says: (body: Body) => string
  /** Is this what stands there, as well as it can be measured? Where it is left out, to the letter. */
  same?: (written: Body, there: Body) => boolean
}

/** As near as two offsets off a tape come to where a unit is, mm. */
const TAPED = 15
const BOND_WORDS = {
  'supply-cable': 'core of the supply cable',
  washer: 'washer with teeth',
  plate: 'bonding plate',
  lug: 'lug',
  copper: 'separate copper',
} satisfies Record<EntryBodies['bond-made']['means'], string>
const PART_WORDS: Partial<Record<EntryBodies['part-placed']['kind'], string>> = {
  device: 'protective device',
  isolator: 'isolator',
}
const said = (words: readonly (string | false | undefined)[]): string => words.filter(Boolean).join(', ')
const mm = (value: number) => formatQuantity(value, 'length', { decimals: 0 })
const fromTo = ({ from, to }: { from: string; to: string }, names: Names) =>
  `${names.get(from) ?? from} to ${names.get(to) ?? to}`

const KINDS: { [K in ThingKind]: Kind<EntryBodies[K]> } = {
  'unit-fitted': {
    stage: 'place-and-mount',
    look: 'with the tape',
    tells: ({ place }) => place !== undefined,
    title: ({ label }) => `Where it hangs or stands: ${label}`,
    says: ({ place }) =>
      place ? `left ${mm(place.x)}, lower edge ${mm(place.y)}, ${mm(place.w)} by ${mm(place.h)}` : 'nowhere',
    same: ({ place: written }, { place: there }) =>
      written !== undefined &&
      there !== undefined &&
      Math.hypot(written.x - there.x, written.y - there.y) <= TAPED,
  },
  'bond-made': {
    stage: 'earthing',
    look: 'by what it is, and what is printed on it',
    tells: () => true,
    title: (bond, names) => `Bond: ${fromTo(bond, names)}`,
    says: ({ means, size, uses }) =>
      said([
        BOND_WORDS[means],
        size !== undefined && `${size} mm²`,
        uses !== undefined && (uses === 1 ? 'new' : `with the marks of ${uses} fittings`),
      ]),
  },
  'part-placed': {
    stage: 'ac',
    look: 'by its rating plate',
    tells: ({ rating }) => rating !== undefined,
    title: ({ label }) => `Rating plate: ${label}`,
    says: ({ kind, rating, residual, surge, labelled }) =>
      said([
        PART_WORDS[kind],
        rating === undefined ? 'no rating on it' : `${rating} A`,
        residual && `residual current type ${residual}`,
        surge !== undefined && (surge ? 'surge protection' : 'no surge protection'),
        labelled !== undefined && (labelled ? 'label of two supplies' : 'no label of two supplies'),
      ]),
  },
  'conductor-run': {
    stage: 'ac',
    look: 'by what is printed on it',
    tells: ({ size }) => size !== undefined,
    title: (cable, names) => `Cable: ${fromTo(cable, names)}`,
    says: ({ size, length, insulation }) =>
      said([
        size !== undefined && `${size} mm²`,
        insulation?.toUpperCase(),
        length !== undefined && `${length} m long`,
      ]),
  },
  'string-built': {
    stage: 'roof',
    look: 'by counting its modules',
    tells: ({ path }) => path !== undefined,
    title: ({ label }) => `Modules of ${label}`,
    says: ({ path }) =>
      path ? `${path.length} modules, from ${path[0]} to ${path.at(-1)}` : 'nobody knows which',
  },
}

/** What everything on site is called, by its id. */
export const namesIn = (entries: readonly Entry[]): Names =>
  new Map(
    entries
      .map(({ kind, body }) => (kind === 'obstruction-measured' ? body.obstruction : body))
      .flatMap((body) =>
        'id' in body && 'label' in body && body.label ? [[body.id, body.label] as const] : [],
      ),
  )

/** What is drawn of a job and can be looked at in these stages, in the order of the walk. */
export function thingsIn(entries: readonly Entry[], stages: readonly string[]): Thing[] {
  const names = namesIn(entries)
  const found = entries.flatMap(({ kind, body }) => thingOf({ kind, body } as ThingFound, names) ?? [])
  return found.filter(({ stage }) => stages.includes(stage))
}

function thingOf(drawn: ThingFound, names: Names): Thing | undefined {
  const kind = KINDS[drawn.kind] as Kind<ThingFound['body']> | undefined
  if (!kind?.tells(drawn.body)) return undefined
  return {
    key: `${drawn.kind}:${drawn.body.id}`,
    stage: kind.stage,
    title: kind.title(drawn.body, names),
    place: kind.look,
    drawn,
  }
}

/** What the tape, or the print on it, says of a thing. */
export const sayThing = ({ kind, body }: ThingFound): string =>
  (KINDS[kind] as Kind<ThingFound['body']>).says(body)

/** Was a thing written down as it is? */
export function isAsItIs(written: ThingFound, there: ThingFound): boolean {
  const { same } = KINDS[there.kind] as Kind<ThingFound['body']>
  return same ? same(written.body, there.body) : canonicalJson(written) === canonicalJson(there)
}
