import { Box, Flex, Stack } from '@chakra-ui/react'
import { startTransition, useEffect, useRef, useState, type ComponentType } from 'react'
import type { JudgedCheck, Stage, UnitId } from '@plumb-mark/core'
import { useInspection } from '../job/inspection.js'
import { Choose } from '../ui/choose.js'
import { useFocus } from '../job/focus.js'

type Parts = Readonly<Record<string, ComponentType<{ judged: JudgedCheck }>>>

/**
 * The picture of a stage whose checks are each drawn by their kind of requirement, one unit at a time; a kind without a drawing is asked
 * in the list alone. The check that is opened in the list is brought into view.
 */
export function ByKind({
  stage,
  parts,
  outline: Outline,
}: {
  stage: Stage
  parts: Parts
  /** What is drawn once for a unit, from its checks of the stage. */
  outline?: ComponentType<{ checks: readonly JudgedCheck[] }>
}) {
  const checks = useInspection(({ inspection }) => inspection?.checks) ?? []
  const open = useFocus((focus) => focus.checkId)
  const ofStage = checks.filter(({ check }) => check.stage === stage)
  const drawn = ofStage.filter(({ check }) => parts[check.requirement.kind])
  const units = [
    ...new Map((Outline ? ofStage : drawn).map(({ check }) => [check.unit.id, check.unit.label])).entries(),
  ]
  const opened = checks.find(({ check }) => check.id === open)?.check
  const [chosen, choose] = useState<UnitId>()
  const openedUnit = opened?.stage === stage ? opened.unit.id : undefined
  useEffect(() => {
    if (openedUnit) choose(openedUnit)
  }, [openedUnit])
  const here = units.find(([id]) => id === chosen)?.[0] ?? units[0]?.[0]
  return (
    <Stack gap="24px" p={{ base: '12px', lg: '24px' }}>
      {units.length > 1 && (
        <Choose
          label="Unit"
          options={units}
          value={here!}
          onChoose={(unit) => startTransition(() => choose(unit))}
        />
      )}
      {Outline && <Outline checks={ofStage.filter(({ check }) => check.unit.id === here)} />}
      {drawn
        .filter(({ check }) => check.unit.id === here)
        .map((judged) => {
          const Part = parts[judged.check.requirement.kind]!
          return (
            <InView key={judged.check.id} wanted={judged.check.id === open}>
              <Part judged={judged} />
            </InView>
          )
        })}
      {units.length === 0 && <Flex color="faint">Nothing is drawn here for what is fitted.</Flex>}
    </Stack>
  )
}

function InView({ wanted, children }: { wanted: boolean; children: React.ReactNode }) {
  const place = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (wanted) place.current?.scrollIntoView?.({ block: 'nearest' })
  }, [wanted])
  return (
    // What is not in sight is neither laid out nor painted until it is scrolled to.
    <Box
      ref={place}
      scrollMargin="60px"
      css={{ contentVisibility: 'auto', containIntrinsicSize: 'auto 320px' }}
    >
      {children}
    </Box>
  )
}
