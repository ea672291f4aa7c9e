import { Box, Button, Flex, Text, chakra } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { NETWORK_TEMPLATES, PART_WORDS, amps, fig, formatQuantity, judgeNetworkConductor, networkTemplate, worst, type ConductorLoad, type Inspection, type NetworkPart, type NetworkTemplate, type Verdict } from '@plumb-mark/core'
import { useSession } from '../../../account/session.js'
import { verdictColour } from '../../../marks/verdict-mark.js'
import { useInspection } from '../../../store/inspection.js'
import { useFocus } from '../../focus.js'
import { useSteps, type Change } from '../../steps.js'
import { layOutGraph } from '../graph-layout.js'
import { DrawingFrame, PictureHead } from '../drawing-frame.js'
import { useUndoKeys } from '../undo-redo.js'
import { useWritable } from '../use-writable.js'
import { ConductorPanel } from './conductor-panel.js'
import { NetworkPartPanel } from './network-part-panel.js'
import { Symbol } from './symbols.js'

type Chosen = { kind: 'part' | 'conductor'; id: string } | { kind: 'new-part' | 'new-conductor'; from?: string } | undefined

/** Who feeds what: from the grid to every source, each cable with what it carries and may carry. */
export function OneLine() {
  const inspection = useInspection((state) => state.inspection)
  const writable = useWritable()
  useUndoKeys(writable)
  const openCheck = useFocus((focus) => focus.openCheck)
  const [chosen, setChosen] = useState<Chosen>()
  const network = inspection?.world.asBuilt.network
  const layout = useMemo(() => network && layOutGraph(network.parts, network.conductors, { direction: 'TB', node: { w: 122, h: 68 }, label: { w: 92, h: 30 } }), [network])
  if (!inspection || !network || !layout) return null
  const loads = inspection.world.loads()
  const touchConductor = (id: string) => {
    setChosen({ kind: 'conductor', id })
    const check = inspection.checks.find(({ check: { subject, requirement } }) => subject.conductor?.id === id && requirement.kind === 'conductor-size')
    if (check) openCheck(check.check.id)
  }
  return (
    <Flex direction="column" minH={{ lg: '560px' }} p={{ base: '8px', lg: '14px 20px' }}>
      <PictureHead title="One-line diagram" writable={writable}>
        {network.parts.length > 0 && (
          <Button variant="plain" onClick={() => window.print()} title="Print this stage with its diagram">
            Print
          </Button>
        )}
      </PictureHead>
      {network.parts.length > 0 && (
        <Text fontSize="13px" color="faint">
          Beside each cable: its size, then what it carries / what it may carry. A thick line is fed from more than one side.
        </Text>
      )}
      {network.parts.length === 0 ? (
        <Begin writable={writable} />
      ) : (
        <DrawingFrame title="One-line diagram" w={layout.w} h={layout.h} minH={{ base: '360px', lg: `${Math.min(760, layout.h)}px` }} maxW={`${1.1 * layout.w}px`}>
              {layout.edges.map(({ id, points }) => (
                <Cable key={id} load={loads.find(({ conductor }) => conductor.id === id)!} points={points} inspection={inspection} chosen={chosen?.kind === 'conductor' && chosen.id === id} onTouch={() => touchConductor(id)} />
              ))}
              {layout.nodes.map((place) => (
                <Part key={place.id} part={network.parts.find(({ id }) => id === place.id)!} {...place} inspection={inspection} chosen={chosen?.kind === 'part' && chosen.id === place.id} onTouch={() => setChosen({ kind: 'part', id: place.id })} />
              ))}
        </DrawingFrame>
      )}
      {writable && network.parts.length > 0 && (
        <Flex gap="6px" py="8px" wrap="wrap">
          <Button variant="outline" onClick={() => setChosen({ kind: 'new-part' })}>
            Add a part
          </Button>
          <Button variant="outline" onClick={() => setChosen({ kind: 'new-conductor' })}>
            Add a cable
          </Button>
        </Flex>
      )}
      {chosen?.kind === 'conductor' || chosen?.kind === 'new-conductor' ? (
        <ConductorPanel key={chosen.kind === 'conductor' ? chosen.id : 'new'} conductor={chosen.kind === 'conductor' ? network.conductors.find(({ id }) => id === chosen.id) : undefined} load={chosen.kind === 'conductor' ? loads.find(({ conductor }) => conductor.id === chosen.id) : undefined} writable={writable} onDone={() => setChosen(undefined)} />
      ) : chosen ? (
        <NetworkPartPanel key={chosen.kind === 'part' ? chosen.id : 'new'} part={chosen.kind === 'part' ? network.parts.find(({ id }) => id === chosen.id) : undefined} writable={writable} onDone={() => setChosen(undefined)} />
      ) : null}
    </Flex>
  )
}

/** Nothing is drawn yet: the usual arrangements, made for the units of this job. */
function Begin({ writable }: { writable: boolean }) {
  const inspection = useInspection((state) => state.inspection)!
  const person = useSession((session) => session.person)!
  const make = useSteps((steps) => steps.make)
  const begin = (template: NetworkTemplate) => {
    const { parts, conductors } = networkTemplate(template, inspection.state.asBuilt.units, inspection.world.sheetOf, { school: inspection.state.header?.school ?? 'iec', newId: () => `net-${uuid()}` })
    make(person, ...parts.map((body): Change => ({ kind: 'part-placed', body })), ...conductors.map((body): Change => ({ kind: 'conductor-run', body })))
  }
  return (
    <Box py="12px">
      <Text mb="10px">Nothing is traced yet.{writable ? ' Begin with the arrangement that comes nearest, and correct it as you trace it from the grid fuse inwards.' : ''}</Text>
      {writable && (
        <Flex direction="column" gap="8px" align="flex-start">
          {(Object.keys(NETWORK_TEMPLATES) as NetworkTemplate[]).map((name) => (
            <Button key={name} variant="outline" onClick={() => begin(name)} whiteSpace="normal" h="auto" minH="48px" textAlign="left">
              {NETWORK_TEMPLATES[name]}
            </Button>
          ))}
        </Flex>
      )}
    </Box>
  )
}

interface PartProps {
  part: NetworkPart
  x: number
  y: number
  w: number
  h: number
  inspection: Inspection
  chosen: boolean
  onTouch: () => void
}

function Part({ part, x, y, w, h, inspection, chosen, onTouch }: PartProps) {
  const verdict = part.unitId ? worst(inspection.checks.filter(({ check }) => check.unit.id === part.unitId && check.requirement.kind === 'protection').map(({ outcome }) => outcome.verdict)) : 'not-applicable'
  const colour = chosen ? 'chalk' : colourOf(verdict)
  const figure = part.rating ?? part.source
  return (
    <chakra.g role="button" tabIndex={0} cursor="pointer" aria-label={`${part.label}, ${PART_WORDS[part.kind]}`} aria-pressed={chosen} onClick={onTouch} onKeyDown={(event) => event.key === 'Enter' && onTouch()} data-network-part={part.id}>
      <chakra.rect x={x - w / 2} y={y - h / 2} width={w} height={h} rx={5} fill="panel" stroke={colour} strokeWidth={chosen ? '4px' : '1.6px'} />
      <Symbol kind={part.kind} x={x} y={y - 17} />
      <chakra.text x={x} y={y + 13} textAnchor="middle" fontSize="13px" fontWeight={600} fill="ink">
        {part.label.length > 17 ? `${part.label.slice(0, 16)}…` : part.label}
      </chakra.text>
      <chakra.text x={x} y={y + 29} textAnchor="middle" fontSize="12px" fontFamily="mono" fill="faint">
        {[figure === undefined ? '' : amps(figure), part.residual && part.residual !== 'none' ? `RCD ${part.residual}` : '', part.surge ? 'SPD' : ''].filter(Boolean).join(' · ')}
      </chakra.text>
    </chakra.g>
  )
}

const colourOf = (verdict: Verdict) => (verdict === 'not-applicable' ? 'ink' : verdictColour(verdict))

function Cable({ load, points, inspection, chosen, onTouch }: { load: ConductorLoad; points: { x: number; y: number }[]; inspection: Inspection; chosen: boolean; onTouch: () => void }) {
  const { conductor, carries, sources } = load
  const judged = inspection.checks.filter(({ check }) => check.subject.conductor?.id === conductor.id)
  const colour = chosen ? 'chalk' : colourOf(worst(judged.map(({ outcome }) => outcome.verdict)))
  const may = judgeNetworkConductor(load, { school: inspection.state.header?.school ?? 'iec' })?.ampacity
  const middle = points[Math.floor(points.length / 2)]!
  const size = formatQuantity(conductor.size, 'conductor-size', { unit: inspection.state.header?.units === 'us' ? 'AWG' : 'mm²' })
  return (
    <chakra.g role="button" tabIndex={0} cursor="pointer" aria-label={`Cable ${inspection.world.labelOf(conductor.from)} to ${inspection.world.labelOf(conductor.to)}`} aria-pressed={chosen} onClick={onTouch} onKeyDown={(event) => event.key === 'Enter' && onTouch()} data-conductor={conductor.id}>
      <chakra.polyline points={points.map(({ x, y }) => `${x},${y}`).join(' ')} fill="none" stroke="transparent" strokeWidth="26px" />
      <chakra.polyline points={points.map(({ x, y }) => `${x},${y}`).join(' ')} fill="none" stroke={colour} strokeWidth={chosen ? '5px' : sources.length > 1 ? '4px' : '2.4px'} />
      <chakra.text x={middle.x + 8} y={middle.y - 2} fontSize="12.5px" fontFamily="mono" fill={colour} stroke="sunk" strokeWidth="5px" style={{ paintOrder: 'stroke' }}>
        {size}
      </chakra.text>
      <chakra.text x={middle.x + 8} y={middle.y + 13} fontSize="12.5px" fontFamily="mono" fontWeight={sources.length > 1 ? 700 : 400} fill={colour} stroke="sunk" strokeWidth="5px" style={{ paintOrder: 'stroke' }}>
        {sources.length === 0 ? 'not fed' : `${sources.length > 1 ? 'Σ ' : ''}${fig(carries, 1)}${may === undefined ? '' : ` / ${fig(may, 0)}`} A`}
      </chakra.text>
    </chakra.g>
  )
}
