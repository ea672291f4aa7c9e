import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { Redo2, Undo2 } from 'lucide-react'
import { memo, useEffect, useMemo, useState } from 'react'
import { wallDrawing, wallSvg, type MeasuredWall, type WallDrawing } from '@plumb-mark/core'
import { useSession } from '../../../account/session.js'
import { useInspection } from '../../../store/inspection.js'
import { download } from '../../../http/download.js'
import { useRework } from '../../../worker/use-rework.js'
import { useFocus } from '../../focus.js'
import { AddToWall } from './add-to-wall.js'
import { useWallSteps } from './changes.js'
import { LeastRework, movesOf } from './least-rework.js'
import { ReworkGhosts } from './rework-ghosts.js'
import { ItemPanel } from './item-panel.js'
import { WallElevation } from './wall-elevation.js'

/** Every wall in elevation, to scale, with the thing at hand open for measuring beneath it. */
export function Walls() {
  const inspection = useInspection((state) => state.inspection)
  const person = useSession((session) => session.person)
  const { itemId, chooseItem, openCheck } = useFocus()
  const writable = person?.role === 'inspector' && !inspection?.state.seal
  useUndoKeys(writable)
  const drawings = useMemo(() => (inspection ? inspection.walls.map((measured) => ({ measured, drawing: wallDrawing(measured, inspection.world.labelOf) })) : []), [inspection])
  if (drawings.length === 0) return <Text p="24px" color="faint">No wall has been measured yet.</Text>
  const choose = (id: string) => {
    chooseItem(id)
    const worstCheck = useInspection.getState().inspection?.checks.find(({ check, outcome }) => check.unit.id === id && check.ask.kind === 'derived' && check.ask.from === 'wall' && outcome.verdict !== 'conforms')
    if (worstCheck) openCheck(worstCheck.check.id)
  }
  return drawings.map(({ measured, drawing }) => <OneWall key={measured.wall.id} measured={measured} drawing={drawing} chosen={itemId} onChoose={choose} writable={writable} labelOf={inspection!.world.labelOf} />)
}

interface OneWallProps {
  measured: MeasuredWall
  drawing: WallDrawing
  chosen: string | undefined
  onChoose: (id: string) => void
  writable: boolean
  labelOf: (id: string) => string
}

function OneWall({ measured, drawing, chosen, onChoose, writable, labelOf }: OneWallProps) {
  const [asked, setAsked] = useState(false)
  const { answer, cancel } = useRework(asked ? JSON.stringify(measured.given) : undefined)
  return (
    <Flex direction="column" minH={{ lg: '100%' }} p={{ base: '8px', lg: '14px 20px' }}>
      <WallHead wallId={measured.wall.id} title={measured.wall.title} wrong={measured.result.verdict !== 'conforms'} asked={asked} onAsk={setAsked} writable={writable} />
      {asked && <LeastRework answer={answer} labelOf={labelOf} onCancel={cancel} onClose={() => setAsked(false)} />}
      <Box flex="1" minH={{ base: '300px', lg: '340px' }} display="flex">
        <WallElevation drawing={drawing} chosen={chosen} onChoose={onChoose}>
          {asked && <ReworkGhosts drawing={drawing} moves={movesOf(answer)} />}
        </WallElevation>
      </Box>
      {chosen ? <ItemPanel key={chosen} wall={measured.wall} itemId={chosen} writable={writable} /> : <Text color="faint" fontSize="14px" py="8px">Touch a unit or an obstruction to measure it. Gaps read measured / required, in mm.</Text>}
      {writable && <AddToWall wall={measured.wall} />}
    </Flex>
  )
}

/** Drawn again only when one of its own words changes, not on every keystroke. */
const WallHead = memo(function WallHead({ wallId, title, wrong, asked, onAsk, writable }: { wallId: string; title: string; wrong: boolean; asked: boolean; onAsk: (asked: boolean) => void; writable: boolean }) {
  const save = () => {
    const { inspection } = useInspection.getState()
    const measured = inspection?.walls.find(({ wall }) => wall.id === wallId)
    if (measured) download(`${title}.svg`, wallSvg(wallDrawing(measured, inspection!.world.labelOf)))
  }
  return (
    <Flex align="center" gap="6px">
      <Text as="h2" fontFamily="heading" fontWeight={600} fontSize="22px" flex="1">
        {title}
      </Text>
      {wrong && !asked && (
        <Button variant="plain" onClick={() => onAsk(true)}>
          Least rework
        </Button>
      )}
      <Button variant="plain" onClick={save} title="The wall as a drawing, 1 : 20 on paper">
        SVG
      </Button>
      {writable && <UndoRedo />}
    </Flex>
  )
})

function UndoRedo() {
  const { done, undone, undo, redo } = useWallSteps()
  const person = useSession((session) => session.person)!
  return (
    <>
      <Button variant="plain" minW="44px" px="0" disabled={done.length === 0} onClick={() => undo(person)} aria-label="Undo">
        <Undo2 size={20} />
      </Button>
      <Button variant="plain" minW="44px" px="0" disabled={undone.length === 0} onClick={() => redo(person)} aria-label="Redo">
        <Redo2 size={20} />
      </Button>
    </>
  )
}

function useUndoKeys(writable: boolean): void {
  const person = useSession((session) => session.person)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!writable || !person || !(event.ctrlKey || event.metaKey) || event.target instanceof HTMLInputElement) return
      const key = event.key.toLowerCase()
      if (key === 'z' && !event.shiftKey) useWallSteps.getState().undo(person)
      else if (key === 'y' || (key === 'z' && event.shiftKey)) useWallSteps.getState().redo(person)
      else return
      event.preventDefault()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [writable, person])
}
