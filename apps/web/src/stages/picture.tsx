import { Text } from '@chakra-ui/react'
import { Suspense, memo, type ComponentType } from 'react'
import type { ProposedArea, Stage } from '@plumb-mark/core'
import { lazyView } from '../ui/lazy-view.js'
import { BondingTree } from './earthing/bonding-tree.js'
import { Roof } from './roof/roof.js'
import { CloseUp } from './close-up/close-up.js'
import { PowerUp } from './power-up/power-up.js'
import { Glands } from './ac/glands.js'
import { Battery } from './battery/battery.js'
import { Meter } from './meter/meter.js'
import { OneLine } from './ac/one-line.js'
import { ProposedBar } from './proposed.js'
import { StringByCount } from './dc/string-by-count.js'
import { TesterImport } from './dc/tester-import.js'
import { Terminals } from './terminals.js'
import { Units } from './identify/units.js'
import { Walls } from './place-and-mount/walls.js'

const Commission = lazyView('Commission', () => import('./commission/commission.js'))

/** The chart comes with a library of its own: it is fetched when the DC side is looked at. */
const Strings = lazyView('Strings', () => import('./dc/strings.js'))

const PICTURES: Partial<Record<Stage, ComponentType>> = {
  identify: Units,
  'place-and-mount': Walls,
  roof: Roof,
  earthing: BondingTree,
  dc: () => (
    <>
      <Strings.View />
      <StringByCount />
      <TesterImport />
      <Terminals side="dc" />
    </>
  ),
  ac: () => (
    <>
      <OneLine />
      <Glands />
      <Terminals side="ac" />
    </>
  ),
  battery: Battery,
  meter: Meter,
  'power-up': PowerUp,
  commission: Commission.View,
  'close-up': CloseUp,
}

/** Which proposals wait on which stage. */
const PROPOSED: Partial<Record<Stage, readonly ProposedArea[]>> = {
  'place-and-mount': ['walls'],
  roof: ['array'],
  earthing: ['earthing'],
  ac: ['network'],
}

/** The picture of a stage, drawn from the job's own data. */
export const Picture = memo(function Picture({ stage }: { stage: Stage }) {
  const Shown = PICTURES[stage]
  return Shown ? (
    <>
      <ProposedBar areas={PROPOSED[stage] ?? []} />
      <Suspense fallback={null}>
        <Shown />
      </Suspense>
    </>
  ) : (
    <Text p="24px" color="faint">
      This stage has no picture yet; its checks are complete.
    </Text>
  )
})
