import type { EntryBodies } from '@plumb-mark/core'
import type { ThingFound, ThingKind } from '../found/things.js'

/** One way in which something stands otherwise than it should. */
export interface ThingFault {
  name: string
  kind: ThingKind
  /** Which of that kind, by id. */
  of: RegExp
  /** As it stands then; undefined where it cannot stand so. */
  changed: (body: ThingFound['body']) => ThingFound['body'] | undefined
  /** Nobody read it, or it cannot be seen on the thing itself. */
  slip: boolean
  /** Wrong only where another of its kind stands beside it. */
  crowds?: boolean
}

type Change<K extends ThingKind> = (body: EntryBodies[K]) => Partial<EntryBodies[K]> | undefined

const of =
  <K extends ThingKind>(kind: K) =>
  (name: string, which: RegExp, change: Change<K>, slip = false): ThingFault => ({
    name,
    kind,
    of: which,
    slip,
    changed(body) {
      const next = change(body as EntryBodies[K])
      return next && ({ ...body, ...next } as ThingFound['body'])
    },
  })
const [unit, bond, part, cable, string] = [
  of('unit-fitted'),
  of('bond-made'),
  of('part-placed'),
  of('conductor-run'),
  of('string-built'),
]

type Place = NonNullable<EntryBodies['unit-fitted']['place']>
const moved =
  (by: (place: Place) => Partial<Place>): Change<'unit-fitted'> =>
  ({ place }) => {
    const next = place && { ...place, ...by(place) }
    return next && next.x >= LEAST && next.y >= LEAST ? { place: next } : undefined
  }
/** Nothing hangs inside the floor or the wall beside it, mm. */
const LEAST = 20

const ON_WALL = /^(inv|bat)-\d+$/
const BREAKER = /^q-\d+$/
const ISOLATOR = /^i-\d+$/
const TO_ISOLATOR = /^c-q-\d+-i-\d+$/
const OF_INVERTER = /^b-inv-\d+$/
const UNSEEN = true

export const THING_FAULTS: readonly ThingFault[] = [
  unit(
    'a unit too near the corner',
    ON_WALL,
    moved(() => ({ x: 60 })),
  ),
  {
    ...unit(
      'a unit too near its neighbour',
      ON_WALL,
      moved(({ x }) => ({ x: x + 800 })),
    ),
    crowds: true,
  },
  unit(
    'a unit too high',
    ON_WALL,
    moved(({ y }) => ({ y: y + 550 })),
  ),
  unit(
    'a unit too low',
    ON_WALL,
    moved(({ y }) => ({ y: y - 450 })),
  ),
  unit('a unit that hangs nowhere', ON_WALL, () => ({ place: undefined }), UNSEEN),

  part('a breaker too large for its cable', BREAKER, () => ({ rating: 100 })),
  part('a breaker too large for the unit', BREAKER, () => ({ rating: 40 })),
  part('a breaker too small', BREAKER, () => ({ rating: 10 })),
  part('a breaker of unknown rating', BREAKER, () => ({ rating: undefined }), UNSEEN),
  part('an isolator instead of a breaker', BREAKER, () => ({ kind: 'isolator', rating: 63 })),
  part('a residual-current device of another kind', BREAKER, () => ({ residual: 'AC' })),
  part('nobody read the kind of residual-current device', BREAKER, () => ({ residual: undefined }), UNSEEN),
  part('the main fuse is of unknown rating', /^fuse$/, () => ({ rating: undefined }), UNSEEN),
  part('the main fuse is missing', /^fuse$/, () => ({ kind: 'isolator', rating: 250 })),
  part('nobody said what the grid drives', /^grid$/, () => ({ source: undefined }), UNSEEN),
  part('nobody said what an inverter drives', /^p-inv-\d+$/, () => ({ source: undefined }), UNSEEN),
  part('nobody read the rating of the board', /^board$/, () => ({ rating: undefined }), UNSEEN),
  part('the board is too small', /^board$/, () => ({ rating: 40 })),
  part('no surge protection', /^board$/, () => ({ surge: false })),
  part('nobody looked for surge protection', /^board$/, () => ({ surge: undefined }), UNSEEN),
  part('no label of two supplies', /^board$/, () => ({ labelled: false })),
  part('nobody looked for the label', /^board$/, () => ({ labelled: undefined }), UNSEEN),
  part('nobody read the rating of an isolator', ISOLATOR, () => ({ rating: undefined }), UNSEEN),
  part('an isolator too small', ISOLATOR, () => ({ rating: 10 })),
  part('the meter is too small', /^meter-part$/, () => ({ rating: 40 })),

  cable('a cable too thin', TO_ISOLATOR, () => ({ size: 1.5 })),
  cable('a cable between two sizes', TO_ISOLATOR, () => ({ size: 2.2 }), UNSEEN),
  cable('a main cable too thin', /^c-fuse-meter-part$/, () => ({ size: 6 })),
  cable('a cable too long', /^c-i-\d+-p-inv-\d+$/, () => ({ length: 900 })),
  cable('a cable in great heat', TO_ISOLATOR, () => ({ ambient: 95 }), UNSEEN),
  cable('too many circuits together', TO_ISOLATOR, () => ({ grouped: 40 }), UNSEEN),

  bond('a bond of another kind', OF_INVERTER, () => ({ means: 'washer', uses: 1 })),
  bond('a bond too thin', OF_INVERTER, () => ({ size: 2.5 })),
  bond('nobody read the size of a bond', OF_INVERTER, () => ({ size: undefined }), UNSEEN),
  bond('nobody read the line conductor beside a bond', OF_INVERTER, () => ({ lineSize: undefined }), UNSEEN),
  bond('the bond of the bar too thin', /^b-bar$/, () => ({ size: 4 })),
  bond('the bond of a battery too thin', /^b-bat-\d+$/, () => ({ size: 2.5 })),
  bond('a washer used twice', /^b-frames$/, () => ({ uses: 2 })),
  bond('nobody said how often a washer was used', /^b-frames$/, () => ({ uses: undefined }), UNSEEN),

  string('a string too short', /^s\d+$/, ({ path }) => path && { path: path.slice(0, 3), count: 3 }),
]
