import { Text } from '@chakra-ui/react'
import type { ComponentType } from 'react'
import type { Stage } from '@plumb-mark/core'
import { BondingTree } from './earthing/bonding-tree.js'
import { Roof } from './roof/roof.js'
import { Strings } from './strings.js'
import { Terminals } from './terminals.js'
import { Units } from './units/units.js'
import { Walls } from './wall/walls.js'

const PICTURES: Partial<Record<Stage, ComponentType>> = {
  identify: Units,
  'place-and-mount': Walls,
  roof: Roof,
  earthing: BondingTree,
  dc: () => (
    <>
      <Strings />
      <Terminals side="dc" />
    </>
  ),
  ac: () => <Terminals side="ac" />,
}

/** The picture of a stage, drawn from the job's own data. */
export function Picture({ stage }: { stage: Stage }) {
  const Shown = PICTURES[stage]
  return Shown ? <Shown /> : <Text p="24px" color="faint">This stage has no picture yet; its checks are complete.</Text>
}
