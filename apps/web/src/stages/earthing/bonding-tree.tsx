import { Box, Button, Text } from '@chakra-ui/react'
import { v7 as uuid } from 'uuid'
import {
  BOND_WORDS,
  EARTH_PART_WORDS,
  formatQuantity,
  inForce,
  worst,
  type Bond,
  type EarthPart,
  type Inspection,
  type Verdict,
} from '@plumb-mark/core'
import { TouchMark } from '../../ui/touch-mark.js'
import { verdictColour } from '../../ui/verdict-mark.js'
import { useInspection } from '../../job/inspection.js'
import { useFocus } from '../../job/focus.js'
import { useCommit } from '../../job/use-commit.js'
import { GraphEdge, GraphPicture, shortened, type Drawn } from '../graph-picture.js'
import type { GraphLayout } from '@plumb-mark/report'
import { useWritable } from '../../job/use-writable.js'
import { BondPanel } from './bond-panel.js'
import { PartPanel } from './part-panel.js'
import { shape } from '../../ui/drawings/shape.js'

const SIZES = { node: { w: 164, h: 52 }, label: { w: 116, h: 50 } }
const FRAME = { least: '320px', ends: false }

/** From every frame and unit down to the main earth terminal: means, sizes, continuity as read. */
export function BondingTree() {
  const inspection = useInspection((state) => state.inspection)
  const writable = useWritable()
  const openCheck = useFocus((focus) => focus.openCheck)
  if (!inspection) return null
  const { parts, bonds } = inspection.context.asBuilt.earth
  const openContinuity = ({ id }: Bond) => {
    const check = inspection.checks.find(
      ({ check: { subject, ask } }) => subject.bond?.id === id && ask.kind === 'reading',
    )
    if (check) openCheck(check.check.id)
  }
  return (
    <GraphPicture
      title="Bonding tree"
      nodes={parts}
      edges={bonds}
      sizes={SIZES}
      frame={FRAME}
      edgeWord="bond"
      empty={<Begin writable={writable} />}
      onTouchEdge={openContinuity}
      drawNode={(part, place, drawn) => (
        <DrawnPart key={part.id} part={part} place={place} verdict={verdictOf(part, inspection)} {...drawn} />
      )}
      drawEdge={(bond, points, drawn) => (
        <DrawnBond key={bond.id} bond={bond} points={points} inspection={inspection} {...drawn} />
      )}
      nodePanel={(part, choose) => (
        <PartPanel
          key={part?.id ?? 'new'}
          part={part}
          writable={writable}
          onBond={(from) => choose({ kind: 'new-edge', from })}
          onDone={() => choose(undefined)}
        />
      )}
      edgePanel={(bond, from, choose) => (
        <BondPanel
          key={bond?.id ?? 'new'}
          bond={bond}
          from={from}
          writable={writable}
          onDone={() => choose(undefined)}
        />
      )}
    />
  )
}

/** An empty tree begins with what is there anyway. */
function Begin({ writable }: { writable: boolean }) {
  const inspection = useInspection((state) => state.inspection)!
  const commit = useCommit()
  const { units } = inspection.state.asBuilt
  const earthed = units.filter(({ id }) =>
    inspection.checks.some(({ check }) => check.unit.id === id && check.requirement.kind === 'bonding'),
  )
  const begin = () => {
    const found = (part: Omit<EarthPart, 'id'>) => ({
      kind: 'earth-part-found' as const,
      body: { id: `part-${uuid()}`, ...part },
    })
    commit(
      found({ label: 'Main earth terminal', kind: 'main-terminal' }),
      ...earthed.map(({ id, label, sheetId }) =>
        found({
          label: inspection.sheets.get(sheetId)?.kind === 'module' ? `Frames, ${label}` : label,
          kind: inspection.sheets.get(sheetId)?.kind === 'module' ? 'frame' : 'unit',
          unitId: id,
        }),
      ),
    )
  }
  return (
    <Box py="20px">
      <Text mb="12px">
        Nothing is bonded yet. Begin at the foot, and tie each part to the next with a bond.
      </Text>
      {writable && (
        <Button onClick={begin}>Main earth terminal and the {earthed.length} parts to bond</Button>
      )}
    </Box>
  )
}

function verdictOf({ unitId }: EarthPart, { checks }: Inspection): Verdict | undefined {
  return unitId
    ? worst(
        checks
          .filter(({ check }) => check.unit.id === unitId && check.requirement.kind === 'bonding')
          .map(({ outcome }) => outcome.verdict),
      )
    : undefined
}

function DrawnPart({
  part,
  place: { x, y, w, h },
  verdict,
  chosen,
  onTouch,
}: { part: EarthPart; place: GraphLayout['nodes'][number]; verdict: Verdict | undefined } & Drawn) {
  const main = part.kind === 'main-terminal'
  return (
    <TouchMark label={`${part.label}, ${EARTH_PART_WORDS[part.kind]}`} chosen={chosen} onTouch={onTouch}>
      <shape.rect
        x={x - w / 2}
        y={y - h / 2}
        width={w}
        height={h}
        rx={main ? 0 : 6}
        fill={main ? 'unprovenWash' : 'panel'}
        stroke={chosen ? 'accent' : verdict ? verdictColour(verdict) : 'text'}
        strokeWidth={chosen ? '4px' : '2px'}
        strokeDasharray={part.proposed && '5 4'}
      />
      <shape.text x={x} y={y - 3} textAnchor="middle" fontSize="17px" fontWeight={600} fill="text">
        {shortened(part.label, 19)}
      </shape.text>
      <shape.text x={x} y={y + 17} textAnchor="middle" fontSize="12.5px" fill="faint">
        {EARTH_PART_WORDS[part.kind]}
      </shape.text>
    </TouchMark>
  )
}

function DrawnBond({
  bond,
  points,
  inspection,
  chosen,
  onTouch,
}: { bond: Bond; points: GraphLayout['edges'][number]['points']; inspection: Inspection } & Drawn) {
  const checks = inspection.checks.filter(({ check }) => check.subject.bond?.id === bond.id)
  const verdict = worst(checks.map(({ outcome }) => outcome.verdict))
  const colour = verdict === 'not-applicable' ? 'faint' : verdictColour(verdict)
  const read = checks.map(({ history }) => inForce(history)).find((evidence) => evidence?.kind === 'reading')
  const size =
    bond.size &&
    formatQuantity(bond.size, 'conductor-size', {
      unit: inspection.state.header?.units === 'us' ? 'AWG' : 'mm²',
    })
  const figures = [size, read?.kind === 'reading' ? read.body.typed : ''].filter(Boolean).join(' · ')
  const lines = [
    { text: `${BOND_WORDS[bond.means]}${bond.proposed ? ', proposed' : ''}`, colour: 'text' },
    { text: figures, mono: true },
  ]
  return (
    <GraphEdge
      label={`Bond, ${BOND_WORDS[bond.means]}`}
      points={points}
      colour={colour}
      width="3px"
      dashed={bond.means === 'washer' || bond.means === 'plate'}
      lines={lines}
      chosen={chosen}
      onTouch={onTouch}
    />
  )
}
