import { Box } from '@chakra-ui/react'
import { Suspense, memo } from 'react'
import type { ProposedArea, Stage } from '@plumb-mark/core'
import { lazyView, type LazyView } from '../ui/lazy-view.js'
import { ProposedBar } from './proposed.js'
import { Faint } from '../ui/theme/text.js'

/** Each picture is fetched when its stage is first looked at, or while nothing else is to be done. */
const PICTURES: Partial<Record<Stage, LazyView>> = {
  identify: lazyView('Units', () => import('./identify/units.js')),
  'place-and-mount': lazyView('Walls', () => import('./place-and-mount/walls.js')),
  roof: lazyView('Roof', () => import('./roof/roof.js')),
  earthing: lazyView('BondingTree', () => import('./earthing/bonding-tree.js')),
  dc: lazyView('DirectCurrent', () => import('./dc/direct-current.js')),
  ac: lazyView('AlternatingCurrent', () => import('./ac/alternating-current.js')),
  battery: lazyView('Battery', () => import('./battery/battery.js')),
  meter: lazyView('Meter', () => import('./meter/meter.js')),
  'power-up': lazyView('PowerUp', () => import('./power-up/power-up.js')),
  commission: lazyView('Commission', () => import('./commission/commission.js')),
  'close-up': lazyView('CloseUp', () => import('./close-up/close-up.js')),
}

/** All of them, so that no stage waits when it is opened, also where there is no signal any more. */
export async function loadPictures(): Promise<void> {
  for (const picture of Object.values(PICTURES)) await picture.load()
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
  const picture = PICTURES[stage]
  return picture ? (
    <>
      <ProposedBar areas={PROPOSED[stage] ?? []} />
      <Suspense fallback={<Coming />}>
        <picture.View key={stage} />
      </Suspense>
    </>
  ) : (
    <Faint p="24px">This stage has no picture yet; its checks are complete.</Faint>
  )
})

/** The outline of a picture that is on its way. */
const Coming = () => (
  <Box
    role="status"
    aria-label="The picture is coming"
    m={{ base: '12px', lg: '24px' }}
    h="320px"
    border="1px dashed"
    borderColor="hair"
    borderRadius="4px"
  />
)
