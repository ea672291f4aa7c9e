import { Box, Text, chakra } from '@chakra-ui/react'
import { memo, useEffect, useRef } from 'react'
import { NavLink, useParams } from 'react-router'
import { useShallow } from 'zustand/react/shallow'
import { STAGE_TITLES, worst, type Inspection, type Stage, type Verdict } from '@plumb-mark/core'
import { useSession } from '../../data/session.js'
import { PlumbBob } from '../../ui/plumb-bob.js'
import { VerdictShape } from '../../ui/verdict-mark.js'
import { useInTheWay } from '../../job/in-the-way.js'
import { useInspection } from '../../job/inspection.js'
import { useBestNext } from './best-next.js'
import { Small } from '../../ui/theme/text.js'

/** px; the stages and the signature fit a laptop without scrolling. */
const MARK_HEIGHT = 57

const Mark = chakra(NavLink, {
  base: {
    position: 'relative',
    display: 'flex',
    alignItems: 'center',
    gap: '10px',
    minH: `${MARK_HEIGHT}px`,
    px: { base: '10px', lg: '0' },
    pr: { lg: '10px' },
    flexShrink: 0,
    color: 'faint',
    '&.active': { color: 'text', fontWeight: 600 },
    _hover: { color: 'text' },
  },
})

/** The stages as marks on the plumb line; the bob hangs at the one at hand; each mark shows what is left. */
export const Line = memo(function Line({ stages, here }: { stages: readonly Stage[]; here: Stage }) {
  const role = useSession(({ person }) => person?.role)
  const next = useBestNext()
  return (
    <chakra.nav
      aria-label="Stages of the walk"
      order={1}
      position="relative"
      display="flex"
      flexDirection={{ base: 'row', lg: 'column' }}
      overflowX={{ base: 'auto', lg: 'hidden' }}
      overflowY={{ lg: 'auto' }}
      pl={{ base: '8px', lg: '16px' }}
      pt={{ base: 0, lg: '18px' }}
      borderRight={{ lg: '1px solid' }}
      borderBottom={{ base: '1px solid', lg: 'none' }}
      borderColor={{ base: 'hair', lg: 'hair' }}
      bg="panel"
    >
      <Box
        hideBelow="lg"
        position="absolute"
        left="28px"
        top="0"
        h={`${18 + stages.indexOf(here) * MARK_HEIGHT + 20}px`}
        w="1.5px"
        bg="text"
        aria-hidden
      />
      {stages.map((stage) => (
        <StageMark
          key={stage}
          stage={stage}
          here={stage === here}
          isNext={role === 'inspector' && stage === next}
        />
      ))}
      <SignMark />
    </chakra.nav>
  )
})

/** The last mark: judge and sign. It leads to what still stands in the way of the signature, and to the signature itself. */
function SignMark() {
  const { jobId } = useParams()
  const sealed = useInspection(({ inspection }) => inspection?.state.seal !== undefined)
  const inTheWay = useInTheWay()
  return (
    <Mark to={`/jobs/${jobId}/sign-off`}>
      <Box w="26px" flexShrink={0} display="flex" justifyContent="center" zIndex={1} bg="panel">
        <VerdictShape verdict={sealed ? 'conforms' : 'not-inspected'} />
      </Box>
      <Box lineHeight={1.15} py="8px">
        <Small>Judge and sign</Small>
        <Text fontSize="13px" color="faint" fontWeight={400}>
          {sealed ? 'signed' : inTheWay > 0 ? `${inTheWay} in the way` : 'ready'}
        </Text>
      </Box>
    </Mark>
  )
}

/** What is left of a stage, to be held against what it was: a mark is drawn again only when one of these changes. */
function leftOf(stage: Stage, { checks }: Inspection) {
  const verdicts = checks.filter(({ check }) => check.stage === stage).map(({ outcome }) => outcome.verdict)
  const count = (verdict: Verdict) => verdicts.filter((one) => one === verdict).length
  return {
    asked: verdicts.length,
    verdict: worst(verdicts),
    wrong: count('does-not-conform'),
    unproven: count('not-proven'),
    toDo: count('not-inspected'),
  }
}

function StageMark({ stage, here, isNext }: { stage: Stage; here: boolean; isNext: boolean }) {
  const { jobId } = useParams()
  const { asked, verdict, wrong, unproven, toDo } = useInspection(
    useShallow(({ inspection }) => leftOf(stage, inspection!)),
  )
  const left = [
    [wrong, 'wrong'],
    [unproven, 'not proven'],
    [toDo, 'to do'],
  ] as const
  const mark = useRef<HTMLAnchorElement>(null)
  // On a phone the line runs across: the stage at hand comes into sight.
  useEffect(() => {
    if (here) mark.current?.scrollIntoView({ inline: 'center', block: 'nearest' })
  }, [here])
  const said = left
    .filter(([n]) => n > 0)
    .map(([n, word]) => `${n} ${word}`)
    .join(', ')
  const done = asked === 0 ? 'nothing to check' : 'all done'
  return (
    <Mark ref={mark} to={`/jobs/${jobId}/walk/${stage}`} title={said || done}>
      <Box
        w="26px"
        flexShrink={0}
        display="flex"
        justifyContent="center"
        zIndex={1}
        bg={here ? 'transparent' : 'panel'}
      >
        {here ? <PlumbBob size={34} /> : <VerdictShape verdict={verdict} />}
      </Box>
      <Box lineHeight={1.15} py="8px">
        <Small>{STAGE_TITLES[stage]}</Small>
        <Text fontSize="13px" color={wrong > 0 ? 'danger' : 'faint'} fontWeight={400}>
          {said || done}
        </Text>
        {isNext && !here && (
          <Text
            fontSize="13px"
            color="unproven"
            fontWeight={600}
            title="the fewest trips, and what failed most on such units"
          >
            best next
          </Text>
        )}
      </Box>
    </Mark>
  )
}
