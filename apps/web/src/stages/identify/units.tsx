import { Box, Button, Flex, Text, chakra } from '@chakra-ui/react'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import {
  UNIT_KIND_WORDS,
  isLeft,
  normaliseLabel,
  serialOf,
  sheetName,
  worst,
  type JudgedCheck,
  type UnitBuilt,
} from '@plumb-mark/core'
import { VerdictShape, verdictColour } from '../../ui/verdict-mark.js'
import { useInspection } from '../../job/inspection.js'
import { UnitForm } from './unit-form.js'
import { useFocus } from '../../job/focus.js'
import { Panel } from '../panel.js'
import { ReplaceUnit } from './replace-unit.js'
import { TakeOver, useAlike } from './take-over.js'
import { useWritable } from '../../job/use-writable.js'
import { Faint, PartHeading, Small, SubTitle } from '../../ui/theme/text.js'
import { Cluster } from '../../ui/cluster.js'
import { PicturePart } from '../picture-part.js'

/** The units as their nameplates say: ordered beside found, and what is still to be identified. */
export function Units() {
  const inspection = useInspection((state) => state.inspection)
  const writable = useWritable()
  const [editing, setEditing] = useState<string>()
  const [replacing, setReplacing] = useState<UnitBuilt>()
  const [taking, setTaking] = useState<{ from: UnitBuilt; to: UnitBuilt }>()
  if (!inspection) return null
  const { units } = inspection.state.asBuilt
  return (
    <PicturePart>
      <Flex align="center" mb="10px">
        <SubTitle flex="1">Units and their nameplates</SubTitle>
        {writable && (
          <Button variant="outline" onClick={() => setEditing('new')}>
            <Plus size={17} /> Unit
          </Button>
        )}
      </Flex>
      {editing && (
        <Box mb="16px">
          <Panel title={editing === 'new' ? 'A new unit' : 'Unit'} onClose={() => setEditing(undefined)}>
            <UnitForm
              key={editing}
              unit={units.find(({ id }) => id === editing)}
              onDone={() => setEditing(undefined)}
            />
          </Panel>
        </Box>
      )}
      {replacing && (
        <Box mb="16px">
          <ReplaceUnit key={replacing.id} unit={replacing} onDone={() => setReplacing(undefined)} />
        </Box>
      )}
      {taking && (
        <Box mb="16px">
          <TakeOver key={taking.to.id} {...taking} onDone={() => setTaking(undefined)} />
        </Box>
      )}
      {units.length === 0 && <Faint>No unit is entered yet: add the first with its sheet.</Faint>}
      <Cluster gap="14px">
        {units.map((unit) => (
          <Plate
            key={unit.id}
            unit={unit}
            checks={inspection.checks.filter(
              ({ check }) => check.unit.id === unit.id && check.stage === 'identify',
            )}
            onEdit={writable ? () => setEditing(unit.id) : undefined}
            onReplace={writable ? () => setReplacing(unit) : undefined}
            onTakeOver={writable ? (from) => setTaking({ from, to: unit }) : undefined}
          />
        ))}
      </Cluster>
    </PicturePart>
  )
}

const Frame = chakra('div', {
  base: {
    w: { base: '100%', sm: '258px' },
    bg: 'panel',
    border: '2px solid',
    borderRadius: '8px',
    p: '14px 16px 8px',
    position: 'relative',
  },
})

function Plate({
  unit,
  checks,
  onEdit,
  onReplace,
  onTakeOver,
}: {
  unit: UnitBuilt
  checks: readonly JudgedCheck[]
  onEdit: (() => void) | undefined
  onReplace: (() => void) | undefined
  onTakeOver: ((from: UnitBuilt) => void) | undefined
}) {
  const sheet = useInspection(({ sheets }) => sheets.get(unit.sheetId))
  const openCheck = useFocus((focus) => focus.openCheck)
  const alike = useAlike(unit)
  const { found } = serialOf(unit, checks)
  const differs =
    found !== undefined && unit.serial !== undefined && normaliseLabel(found) !== normaliseLabel(unit.serial)
  const verdict = worst(checks.map(({ outcome }) => outcome.verdict))
  const first = checks.find(isLeft) ?? checks[0]
  return (
    <Frame borderColor={verdict === 'not-applicable' ? 'hair' : verdictColour(verdict)}>
      <Rivet side="left" />
      <Rivet side="right" />
      <Text fontSize="12.5px" color="faint" textAlign="center">
        {sheet ? UNIT_KIND_WORDS[sheet.kind] : 'no sheet'}
      </Text>
      <PartHeading as="p" textAlign="center">
        {unit.label}
      </PartHeading>
      <Small textAlign="center" mb="8px">
        {sheet ? sheetName(sheet) : unit.sheetId}
      </Small>
      <Line label="ordered" value={unit.serial ?? 'any'} />
      <Line
        label="found"
        value={found ?? 'not read'}
        colour={differs ? 'danger' : found ? 'text' : 'faint'}
      />
      <Flex layerStyle="ruleAbove" mt="8px" justify="space-between">
        <Button variant="plain" px="4px" disabled={!first} onClick={() => first && openCheck(first.check.id)}>
          <VerdictShape verdict={verdict} size={18} />{' '}
          {checks.length === 0 ? 'nothing asked' : `${checks.filter(isLeft).length} of ${checks.length} left`}
        </Button>
        {onEdit && (
          <Button variant="plain" px="6px" onClick={onEdit}>
            Change
          </Button>
        )}
      </Flex>
      {onReplace && (
        <Button variant="plain" px="4px" onClick={onReplace}>
          Replace this unit
        </Button>
      )}
      {alike && onTakeOver && (
        <Button variant="plain" px="4px" onClick={() => onTakeOver(alike)}>
          Take over from {alike.label}
        </Button>
      )}
    </Frame>
  )
}

const Rivet = ({ side }: { side: 'left' | 'right' }) => (
  <Box
    position="absolute"
    top="7px"
    {...{ [side]: '8px' }}
    w="8px"
    h="8px"
    borderRadius="50%"
    border="1.5px solid"
    borderColor="faint"
    aria-hidden
  />
)

function Line({ label, value, colour = 'text' }: { label: string; value: string; colour?: string }) {
  return (
    <Flex justify="space-between" gap="10px" fontSize="14px">
      <Faint>{label}</Faint>
      <Text
        fontFamily="mono"
        color={colour}
        fontWeight={colour === 'danger' ? 700 : 400}
        overflowWrap="anywhere"
        textAlign="right"
      >
        {value}
      </Text>
    </Flex>
  )
}
