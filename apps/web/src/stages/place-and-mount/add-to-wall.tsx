import { Button, Flex } from '@chakra-ui/react'
import { Plus } from 'lucide-react'
import { memo, useState } from 'react'
import type { WallBuilt } from '@plumb-mark/core'
import { lazyPart } from '../../ui/lazy-part.js'

const AddUnit = lazyPart(async () => (await import('./add-forms.js')).AddUnit)
const AddObstruction = lazyPart(async () => (await import('./add-forms.js')).AddObstruction)

/** Adds a unit by its sheet, or an obstruction by its class; its place is then typed. */
export const AddToWall = memo(function AddToWall({ wall }: { wall: WallBuilt }) {
  const [adding, setAdding] = useState<'unit' | 'obstruction'>()
  if (!adding) {
    return (
      <Flex gap="8px" py="6px">
        <Button variant="plain" onClick={() => setAdding('unit')}>
          <Plus size={17} /> Unit
        </Button>
        <Button variant="plain" onClick={() => setAdding('obstruction')}>
          <Plus size={17} /> Obstruction
        </Button>
      </Flex>
    )
  }
  return adding === 'unit' ? (
    <AddUnit wall={wall} onDone={() => setAdding(undefined)} />
  ) : (
    <AddObstruction wall={wall} onDone={() => setAdding(undefined)} />
  )
})
