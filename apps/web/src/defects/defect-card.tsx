import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { SquareSplitHorizontal } from 'lucide-react'
import { useState, type ReactNode } from 'react'
import {
  DEFECT_STEP_WORDS,
  isOpen,
  sayAmendment,
  sayEvidence,
  type Defect,
  type DefectState,
  isOverdue,
} from '@plumb-mark/core'
import { Clause } from '../checks/clause.js'
import { Photos } from '../checks/photo-picker.js'
import { useInspection } from '../job/inspection.js'
import { useSiteTime } from '../job/site-time.js'
import { Due } from '../ui/due.js'
import { Danger, Faint, Lead, PartHeading } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'
import { LinkButton } from '../ui/buttons.js'
import { lazyPart } from '../ui/lazy-part.js'

const BeforeAfter = lazyPart(async () => (await import('../photo-tape/before-after.js')).BeforeAfter)

const STATE_WORDS = {
  open: 'open',
  reworked: 'reworked, to be read again',
  closed: 'closed by a conforming reading',
  withdrawn: 'withdrawn',
} satisfies Record<DefectState, string>

/** One defect with its way so far. */
export function DefectCard({ defect, children }: { defect: Defect; children?: ReactNode }) {
  const { raised, steps, amended, closedBy, voidSteps, severity, state, failedAgain } = defect
  const { when, day, today } = useSiteTime()
  const open = isOpen(defect)
  const check = useInspection(({ inspection }) => {
    const at = inspection?.at.byId.get(defect.checkId)
    return at === undefined ? undefined : inspection!.checks[at]!.check
  })
  return (
    <chakra.article
      layerStyle="ruleBelow"
      py="18px"
      aria-label={`${defect.title}, ${defect.place}`}
      data-state={state}
    >
      <Cluster alignItems="baseline">
        <Text
          color={open && (severity === 'stop' || severity === 'major') ? 'danger' : 'faint'}
          fontWeight={700}
        >
          {severity}
        </Text>
        <PartHeading>{defect.title}</PartHeading>
        <Faint>{STATE_WORDS[state]}</Faint>
      </Cluster>
      <Faint>
        {defect.place}: {defect.finding}
      </Faint>
      <Lead mt="6px" maxW="65ch">
        {defect.remedy}
      </Lead>
      <Due
        day={defect.due ?? ''}
        over={isOverdue(defect, today())}
        responsible={defect.responsible}
        say={day}
      />
      {check && (
        <Flex direction="column" align="flex-start" mt="4px">
          <Clause check={check} />
        </Flex>
      )}
      <chakra.ol mt="8px" fontSize="14px" color="faint">
        <Step
          when={raised.at}
          who={raised.by.name}
          did="raised"
          note={raised.body.note}
          photos={<Photos photos={raised.body.photos} size="72px" />}
        />
        {steps.map(({ id, at, by, body }) => (
          <Step
            key={id}
            when={at}
            who={by.name}
            did={DEFECT_STEP_WORDS[body.step]}
            madeVoidBy={voidSteps.find(({ step }) => step.id === id)?.by}
            note={body.note}
            photos={<Photos photos={body.photos} size="72px" />}
          />
        ))}
        {amended.map((one) => (
          <Step
            key={one.id}
            when={one.at}
            who={one.by.name}
            did={`edited (${sayAmendment(one)})`}
            note={one.body.reason}
          />
        ))}
      </chakra.ol>
      <Compared defect={defect} />
      {closedBy && check && (
        <Text>
          Closed by {closedBy.by.name}, {when(closedBy.at)}: found {sayEvidence(check, closedBy)}, which
          conforms.
        </Text>
      )}
      {failedAgain && <Danger>Read again after the rework, and it failed again.</Danger>}
      {children && <Box mt="10px">{children}</Box>}
    </chakra.article>
  )
}

/** The photo of the defect beside the last one of its rework, where both are there. */
function Compared({ defect: { raised, steps } }: { defect: Defect }) {
  const [open, setOpen] = useState(false)
  const before = raised.body.photos?.[0]
  const after = steps.findLast(({ body }) => (body.photos ?? []).length > 0)?.body.photos?.at(-1)
  if (!before || !after) return null
  return (
    <>
      <LinkButton onClick={() => setOpen(true)}>
        <SquareSplitHorizontal size={18} /> Before and after
      </LinkButton>
      {open && <BeforeAfter before={before} after={after} onClose={() => setOpen(false)} />}
    </>
  )
}

function Step({
  when,
  who,
  did,
  madeVoidBy,
  note,
  photos,
}: {
  when: string
  who: string
  did: string
  madeVoidBy?: Defect['steps'][number] | undefined
  note?: string | undefined
  photos?: ReactNode
}) {
  const time = useSiteTime()
  return (
    <chakra.li py="4px">
      {time.when(when)} · {did} by {who}
      {madeVoidBy && ` (void: ${DEFECT_STEP_WORDS[madeVoidBy.body.step]} by ${madeVoidBy.by.name} before)`}
      {note ? `: ${note}` : ''}
      <Cluster gap="6px" mt="4px">
        {photos}
      </Cluster>
    </chakra.li>
  )
}
