import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { v7 as uuid } from 'uuid'
import {
  amps,
  byBadness,
  formatNumber,
  formatQuantity,
  judgeNetworkConductor,
  NETWORK_TEMPLATES,
  networkTemplate,
  PART_WORDS,
  worst,
  type Change,
  type ConductorLoad,
  type Inspection,
  type JudgedCheck,
  type NetworkConductor,
  type NetworkPart,
  type NetworkTemplate,
  type Verdict,
} from '@plumb-mark/core'
import { TouchMark } from '../../ui/touch-mark.js'
import { verdictColour } from '../../ui/verdict-mark.js'
import { useInspection } from '../../job/inspection.js'
import { useFocus } from '../../job/focus.js'
import { useCommit } from '../../job/use-commit.js'
import type { GraphLayout } from '@plumb-mark/report'
import { GraphEdge, GraphPicture, shortened, type Drawn } from '../graph-picture.js'
import { useWritable } from '../../job/use-writable.js'
import { ConductorPanel } from './conductor-panel.js'
import { NetworkPartPanel } from './network-part-panel.js'
import { Symbol } from './symbols.js'
import { shape } from '../../ui/drawings/shape.js'

const SIZES = { node: { w: 122, h: 68 }, label: { w: 92, h: 30 } }
const FRAME = { least: '360px', ends: true }

/** Who feeds what: from the grid to every source, each cable with what it carries and may carry. */
export function OneLine() {
  const inspection = useInspection((state) => state.inspection)
  const writable = useWritable()
  const openCheck = useFocus((focus) => focus.openCheck)
  if (!inspection) return null
  const { parts, conductors } = inspection.context.asBuilt.network
  const loads = new Map(inspection.context.loads().map((load) => [load.conductor.id, load]))
  const partLoads = new Map(inspection.context.partLoads().map((load) => [load.part.id, load]))
  const openFirst = ([first]: readonly JudgedCheck[]) => first && openCheck(first.check.id)
  const openSize = ({ id }: NetworkConductor) =>
    openFirst(
      inspection.checks.filter(
        ({ check: { subject, requirement } }) =>
          subject.conductor?.id === id && requirement.kind === 'conductor-size',
      ),
    )
  return (
    <GraphPicture
      title="One-line diagram"
      actions={
        <Button variant="plain" onClick={() => window.print()} title="Print this stage with its diagram">
          Print
        </Button>
      }
      note="Beside each cable: its size, then what it carries / what it may carry. A thick line is fed from more than one side."
      nodes={parts}
      edges={conductors}
      sizes={SIZES}
      frame={FRAME}
      edgeWord="cable"
      empty={<Begin writable={writable} />}
      onTouchEdge={openSize}
      onTouchNode={(part) => openFirst(checksOfPart(part, inspection))}
      drawNode={(part, place, drawn) => (
        <Part key={part.id} part={part} place={place} inspection={inspection} {...drawn} />
      )}
      drawEdge={({ id }, points, drawn) => (
        <Cable key={id} load={loads.get(id)!} points={points} inspection={inspection} {...drawn} />
      )}
      nodePanel={(part, choose) => (
        <NetworkPartPanel
          key={part?.id ?? 'new'}
          part={part}
          load={part && partLoads.get(part.id)}
          writable={writable}
          onDone={() => choose(undefined)}
        />
      )}
      edgePanel={(conductor, _from, choose) => (
        <ConductorPanel
          key={conductor?.id ?? 'new'}
          conductor={conductor}
          load={conductor && loads.get(conductor.id)}
          writable={writable}
          onDone={() => choose(undefined)}
        />
      )}
    />
  )
}

/** Nothing is drawn yet: the usual arrangements, made for the units of this job. */
function Begin({ writable }: { writable: boolean }) {
  const inspection = useInspection((state) => state.inspection)!
  const commit = useCommit()
  const begin = (template: NetworkTemplate) => {
    const { parts, conductors } = networkTemplate(
      template,
      inspection.state.asBuilt.units,
      inspection.context.sheetOf,
      { school: inspection.state.header?.school ?? 'iec', newId: () => `net-${uuid()}` },
    )
    commit(
      ...parts.map((body): Change => ({ kind: 'part-placed', body })),
      ...conductors.map((body): Change => ({ kind: 'conductor-run', body })),
    )
  }
  return (
    <Box py="12px">
      <Text mb="10px">
        Nothing is traced yet.
        {writable
          ? ' Begin with the arrangement that comes nearest, and correct it as you trace it from the grid fuse inwards.'
          : ''}
      </Text>
      {writable && (
        <Flex direction="column" gap="8px" align="flex-start">
          {(Object.keys(NETWORK_TEMPLATES) as NetworkTemplate[]).map((name) => (
            <Button
              key={name}
              variant="outline"
              onClick={() => begin(name)}
              whiteSpace="normal"
              h="auto"
              minH="48px"
              textAlign="left"
            >
              {NETWORK_TEMPLATES[name]}
            </Button>
          ))}
        </Flex>
      )}
    </Box>
  )
}

/** What is judged of a part itself: its rating, and as a unit its protection; the worse first. */
function checksOfPart(part: NetworkPart, { checks }: Inspection): JudgedCheck[] {
  const own = checks.filter(
    ({ check: { subject, unit, requirement } }) =>
      subject.part?.id === part.id || (unit.id === part.unitId && requirement.kind === 'protection'),
  )
  return own.sort((a, b) => byBadness(a.outcome.verdict, b.outcome.verdict))
}

function Part({
  part,
  place: { x, y, w, h },
  inspection,
  chosen,
  onTouch,
}: { part: NetworkPart; place: GraphLayout['nodes'][number]; inspection: Inspection } & Drawn) {
  const verdict = worst(checksOfPart(part, inspection).map(({ outcome }) => outcome.verdict))
  const figure = part.rating ?? part.source
  return (
    <TouchMark label={`${part.label}, ${PART_WORDS[part.kind]}`} chosen={chosen} onTouch={onTouch}>
      <shape.rect
        x={x - w / 2}
        y={y - h / 2}
        width={w}
        height={h}
        rx={5}
        fill="panel"
        stroke={chosen ? 'accent' : colourOf(verdict)}
        strokeWidth={chosen ? '4px' : '1.6px'}
        strokeDasharray={part.proposed && '5 4'}
      />
      <Symbol kind={part.kind} x={x} y={y - 19} />
      <shape.text x={x} y={y + 10} textAnchor="middle" fontSize="13px" fontWeight={600} fill="text">
        {shortened(part.label, 17)}
      </shape.text>
      <shape.text x={x} y={y + 25} textAnchor="middle" fontSize="12px" mono fill="faint">
        {[
          figure === undefined ? '' : amps(figure),
          part.residual && part.residual !== 'none' ? `RCD ${part.residual}` : '',
          part.surge ? 'SPD' : '',
        ]
          .filter(Boolean)
          .join(' · ')}
      </shape.text>
    </TouchMark>
  )
}

const colourOf = (verdict: Verdict) => (verdict === 'not-applicable' ? 'text' : verdictColour(verdict))

function Cable({
  load,
  points,
  inspection,
  chosen,
  onTouch,
}: { load: ConductorLoad; points: GraphLayout['edges'][number]['points']; inspection: Inspection } & Drawn) {
  const { conductor, carries, sources } = load
  const judged = inspection.checks.filter(({ check }) => check.subject.conductor?.id === conductor.id)
  const may = judgeNetworkConductor(load, { school: inspection.state.header?.school ?? 'iec' })?.ampacity
  const many = sources.length > 1
  const lines = [
    {
      text:
        conductor.size === undefined
          ? 'size?'
          : formatQuantity(conductor.size, 'conductor-size', {
              unit: inspection.state.header?.units === 'us' ? 'AWG' : 'mm²',
            }),
      mono: true,
    },
    {
      text:
        sources.length === 0
          ? 'not fed'
          : `${many ? 'Σ ' : ''}${formatNumber(carries, 1)}${may === undefined ? '' : ` / ${formatNumber(may, 0)}`} A`,
      mono: true,
      strong: many,
    },
  ]
  return (
    <GraphEdge
      label={`Cable ${inspection.context.labelOf(conductor.from)} to ${inspection.context.labelOf(conductor.to)}`}
      points={points}
      colour={colourOf(worst(judged.map(({ outcome }) => outcome.verdict)))}
      width={many ? '4px' : '2.4px'}
      dashed={conductor.proposed !== undefined}
      lines={lines}
      chosen={chosen}
      onTouch={onTouch}
    />
  )
}
