import { Box, Button, Flex, Text, chakra } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { BOND_WORDS, EARTH_PART_WORDS, formatQuantity, inForce, worst, type Bond, type EarthPart, type Inspection, type Verdict } from '@plumb-mark/core'
import { useSession } from '../../../account/session.js'
import { verdictColour } from '../../../marks/verdict-mark.js'
import { useInspection } from '../../../store/inspection.js'
import { useFocus } from '../../focus.js'
import { useSteps } from '../../steps.js'
import { DrawingFrame, PictureHead } from '../drawing-frame.js'
import { useUndoKeys } from '../undo-redo.js'
import { useWritable } from '../use-writable.js'
import { BondPanel } from './bond-panel.js'
import { PartPanel } from './part-panel.js'
import { layOutGraph } from '../graph-layout.js'

type Chosen = { kind: 'part' | 'bond'; id: string } | { kind: 'new-part' } | { kind: 'new-bond'; from?: string } | undefined

/** From every frame and unit down to the main earth terminal: means, sizes, continuity as read. */
export function BondingTree() {
  const inspection = useInspection((state) => state.inspection)
  const writable = useWritable()
  useUndoKeys(writable)
  const [chosen, setChosen] = useState<Chosen>()
  const earth = inspection?.world.asBuilt.earth
  const layout = useMemo(() => earth && layOutGraph(earth.parts, earth.bonds, { direction: 'TB', node: { w: 164, h: 52 }, label: { w: 116, h: 50 } }), [earth])
  const openCheck = useFocus((focus) => focus.openCheck)
  if (!inspection || !earth || !layout) return null
  const touchBond = (id: string) => {
    setChosen({ kind: 'bond', id })
    const check = inspection.checks.find(({ check: { subject, ask } }) => subject.bond?.id === id && ask.kind === 'reading')
    if (check) openCheck(check.check.id)
  }
  return (
    <Flex direction="column" minH={{ lg: '100%' }} p={{ base: '8px', lg: '14px 20px' }}>
      <PictureHead title="Bonding tree" writable={writable} />
      {earth.parts.length === 0 ? (
        <Begin writable={writable} />
      ) : (
        <DrawingFrame title="Bonding tree" w={layout.w} h={layout.h} minH={{ base: '300px', lg: '320px' }}>
              {layout.edges.map(({ id, points }) => (
                <DrawnBond key={id} bond={earth.bonds.find((bond) => bond.id === id)!} points={points} inspection={inspection} chosen={chosen?.kind === 'bond' && chosen.id === id} onTouch={() => touchBond(id)} />
              ))}
              {layout.nodes.map((place) => (
                <DrawnPart key={place.id} part={earth.parts.find(({ id }) => id === place.id)!} {...place} verdict={verdictOf(earth.parts.find(({ id }) => id === place.id)!, inspection)} chosen={chosen?.kind === 'part' && chosen.id === place.id} onTouch={() => setChosen({ kind: 'part', id: place.id })} />
              ))}
        </DrawingFrame>
      )}
      {writable && earth.parts.length > 0 && (
        <Flex gap="6px" py="8px" wrap="wrap">
          <Button variant="outline" onClick={() => setChosen({ kind: 'new-bond' })}>
            Add a bond
          </Button>
          <Button variant="outline" onClick={() => setChosen({ kind: 'new-part' })}>
            Add a part
          </Button>
        </Flex>
      )}
      {chosen?.kind === 'bond' || chosen?.kind === 'new-bond' ? (
        <BondPanel key={chosen.kind === 'bond' ? chosen.id : 'new'} bond={chosen.kind === 'bond' ? earth.bonds.find(({ id }) => id === chosen.id) : undefined} from={chosen.kind === 'new-bond' ? chosen.from : undefined} writable={writable} onDone={() => setChosen(undefined)} />
      ) : chosen ? (
        <PartPanel key={chosen.kind === 'part' ? chosen.id : 'new'} part={chosen.kind === 'part' ? earth.parts.find(({ id }) => id === chosen.id) : undefined} writable={writable} onBond={(from) => setChosen({ kind: 'new-bond', from })} onDone={() => setChosen(undefined)} />
      ) : null}
    </Flex>
  )
}

/** An empty tree begins with what is there anyway. */
function Begin({ writable }: { writable: boolean }) {
  const inspection = useInspection((state) => state.inspection)!
  const person = useSession((session) => session.person)!
  const make = useSteps((steps) => steps.make)
  const { units } = inspection.state.asBuilt
  const earthed = units.filter(({ id }) => inspection.checks.some(({ check }) => check.unit.id === id && check.requirement.kind === 'bonding'))
  const begin = () => {
    const found = (part: Omit<EarthPart, 'id'>) => ({ kind: 'earth-part-found' as const, body: { id: `part-${uuid()}`, ...part } })
    make(
      person,
      found({ label: 'Main earth terminal', kind: 'main-terminal' }),
      ...earthed.map(({ id, label, sheetId }) => found({ label: inspection.sheets.get(sheetId)?.kind === 'module' ? `Frames, ${label}` : label, kind: inspection.sheets.get(sheetId)?.kind === 'module' ? 'frame' : 'unit', unitId: id })),
    )
  }
  return (
    <Box py="20px">
      <Text mb="12px">Nothing is bonded yet. Begin at the foot, and tie each part to the next with a bond.</Text>
      {writable && <Button onClick={begin}>Main earth terminal and the {earthed.length} parts to bond</Button>}
    </Box>
  )
}

function verdictOf({ unitId }: EarthPart, { checks }: Inspection): Verdict | undefined {
  return unitId ? worst(checks.filter(({ check }) => check.unit.id === unitId && check.requirement.kind === 'bonding').map(({ outcome }) => outcome.verdict)) : undefined
}

function DrawnPart({ part, x, y, w, h, verdict, chosen, onTouch }: { part: EarthPart; x: number; y: number; w: number; h: number; verdict: Verdict | undefined; chosen: boolean; onTouch: () => void }) {
  const main = part.kind === 'main-terminal'
  return (
    <chakra.g role="button" tabIndex={0} cursor="pointer" aria-label={`${part.label}, ${EARTH_PART_WORDS[part.kind]}`} aria-pressed={chosen} onClick={onTouch} onKeyDown={(event) => event.key === 'Enter' && onTouch()} data-part={part.id}>
      <chakra.rect x={x - w / 2} y={y - h / 2} width={w} height={h} rx={main ? 0 : 6} fill={main ? 'brassWash' : 'panel'} stroke={chosen ? 'chalk' : verdict ? verdictColour(verdict) : 'ink'} strokeWidth={chosen ? '4px' : '2px'} />
      <chakra.text x={x} y={y - 3} textAnchor="middle" fontSize="17px" fontWeight={600} fill="ink">
        {part.label.length > 20 ? `${part.label.slice(0, 19)}…` : part.label}
      </chakra.text>
      <chakra.text x={x} y={y + 17} textAnchor="middle" fontSize="12.5px" fill="faint">
        {EARTH_PART_WORDS[part.kind]}
      </chakra.text>
    </chakra.g>
  )
}

function DrawnBond({ bond, points, inspection, chosen, onTouch }: { bond: Bond; points: { x: number; y: number }[]; inspection: Inspection; chosen: boolean; onTouch: () => void }) {
  const checks = inspection.checks.filter(({ check }) => check.subject.bond?.id === bond.id)
  const verdict = worst(checks.map(({ outcome }) => outcome.verdict))
  const colour = verdict === 'not-applicable' ? 'faint' : verdictColour(verdict)
  const read = checks.map(({ history }) => inForce(history)).find((evidence) => evidence?.kind === 'reading')
  const middle = points[Math.floor(points.length / 2)]!
  const unit = inspection.state.header?.units === 'us' ? 'AWG' : 'mm²'
  return (
    <chakra.g role="button" tabIndex={0} cursor="pointer" aria-label={`Bond, ${BOND_WORDS[bond.means]}`} aria-pressed={chosen} onClick={onTouch} onKeyDown={(event) => event.key === 'Enter' && onTouch()} data-bond={bond.id}>
      <chakra.polyline points={points.map(({ x, y }) => `${x},${y}`).join(' ')} fill="none" stroke="transparent" strokeWidth="26px" />
      <chakra.polyline points={points.map(({ x, y }) => `${x},${y}`).join(' ')} fill="none" stroke={chosen ? 'chalk' : colour} strokeWidth={chosen ? '5px' : '3px'} strokeDasharray={bond.means === 'washer' || bond.means === 'plate' ? '3 5' : undefined} />
      <chakra.text x={middle.x + 8} y={middle.y - 2} fontSize="13px" fill="ink" stroke="sunk" strokeWidth="5px" style={{ paintOrder: 'stroke' }}>
        {BOND_WORDS[bond.means]}
      </chakra.text>
      <chakra.text x={middle.x + 8} y={middle.y + 15} fontSize="13.5px" fontFamily="mono" fill={colour} stroke="sunk" strokeWidth="5px" style={{ paintOrder: 'stroke' }}>
        {[bond.size ? formatQuantity(bond.size, 'conductor-size', { unit }) : '', read?.kind === 'reading' ? read.body.typed : ''].filter(Boolean).join(' · ')}
      </chakra.text>
    </chakra.g>
  )
}
