import { Box, Button, Flex, Text, chakra } from '@chakra-ui/react'
import { Check } from 'lucide-react'
import { useState } from 'react'
import { nextStep, stepsAt, type Defect, type StepNow } from '@plumb-mark/core'
import { Note } from '../../ui/theme/text.js'
import { useSeconds } from '../../ui/use-seconds.js'
import { DespiteStop, type Allowed } from '../../checks/record/despite-stop.js'
import { Cluster } from '../../ui/cluster.js'

const NONE: readonly Defect[] = []

/** ms within which a gloved thumb that comes down twice has meant one touch. */
const ONE_TOUCH = 800

interface Wanted {
  id: string
  label: string
  after: readonly string[]
  waitSeconds?: number | undefined
  hint?: string | undefined
}
export interface Done {
  id: string
  at: string
  allowed?: Allowed | undefined
}

/** Steps down a line, the next one with a button for a gloved thumb, its wait counting down. Without `onDone` it is only read. */
export function Timeline({
  wanted,
  done,
  held = NONE,
  onDone,
  onTakeBack,
}: {
  wanted: readonly Wanted[]
  done: readonly Done[]
  /** Stop defects that forbid the next step. */
  held?: readonly Defect[]
  onDone?: ((step: Done) => void) | undefined
  onTakeBack?: ((step: Done) => void) | undefined
}) {
  const now = useSeconds(done.length > 0 && done.length < wanted.length)
  const steps = stepsAt(wanted, done, now)
  const next = nextStep(steps)
  const last = done.at(-1)
  const [asking, setAsking] = useState(false)
  const doneNow = (id: string, allowed?: Allowed) => {
    if (held.length > 0 && !allowed) return setAsking(true)
    setAsking(false)
    const at = new Date()
    const since = last ? at.getTime() - Date.parse(last.at) : Infinity
    // A clock that was set back since must not bar the way: only a moment after the last is the same touch.
    if (since >= 0 && since < ONE_TOUCH) return
    onDone?.({ id, at: at.toISOString(), ...(allowed && { allowed }) })
  }
  return (
    <>
      <ol>
        {steps.map((step) => (
          <Step
            key={step.id}
            step={step}
            next={step === next}
            hint={wanted.find(({ id }) => id === step.id)?.hint}
          />
        ))}
      </ol>
      {asking && next && (
        <DespiteStop
          step={next.label}
          held={held}
          onAllowed={(allowed) => doneNow(next.id, allowed)}
          onCancel={() => setAsking(false)}
        />
      )}
      {onDone && !asking && (
        <Cluster pl={{ base: 0, sm: '44px' }} mt="6px">
          {next && (
            <Button
              h="72px"
              w={{ base: '100%', sm: 'auto' }}
              minW={{ sm: '300px' }}
              fontSize={{ base: '17px', sm: '19px' }}
              whiteSpace="normal"
              variant={next.left > 0 || next.lacks.length > 0 ? 'outline' : 'solid'}
              onClick={() => doneNow(next.id)}
            >
              {next.left > 0 ? `Done too soon: ${next.label}` : `Done: ${next.label}`}
            </Button>
          )}
          {last && onTakeBack && (
            <Button h="72px" variant="plain" onClick={() => onTakeBack(last)}>
              Take the last one back
            </Button>
          )}
        </Cluster>
      )}
    </>
  )
}

function Step({
  step: { at, label, left, short, waitSeconds = 0 },
  next,
  hint,
}: {
  step: StepNow
  next: boolean
  hint: string | undefined
}) {
  const soon = short > 0
  return (
    <chakra.li display="flex" gap="14px" minH="52px" aria-current={next ? 'step' : undefined}>
      <Flex direction="column" align="center" w="30px" flexShrink={0} aria-hidden>
        <Flex
          align="center"
          justify="center"
          boxSize="26px"
          borderRadius="50%"
          border="2px solid"
          borderColor={soon ? 'danger' : at || next ? 'accent' : 'faint'}
          bg={at && !soon ? 'accent' : 'panel'}
          color="panel"
        >
          {at && <Check size={16} strokeWidth={3} />}
        </Flex>
        <Box flex="1" w="2px" bg={at ? 'accent' : 'hair'} />
      </Flex>
      <Box pb="12px">
        <Text fontSize={next ? '19px' : '16px'} fontWeight={next ? 600 : 400} lineHeight={1.3}>
          {label}
        </Text>
        {left > 0 ? (
          <Text fontFamily="mono" fontSize="30px" color="unproven" role="timer">
            {minutes(left)}
          </Text>
        ) : (
          <Note color={soon ? 'danger' : undefined}>
            {[
              at && new Date(at).toLocaleTimeString([], { hour12: false }),
              soon && `${Math.ceil(short)} s too soon`,
              waitSeconds > 0 && `wait of ${waitSeconds} s`,
              hint,
            ]
              .filter(Boolean)
              .join(', ')}
          </Note>
        )}
      </Box>
    </chakra.li>
  )
}

const minutes = (seconds: number): string =>
  `${Math.floor(Math.ceil(seconds) / 60)}:${String(Math.ceil(seconds) % 60).padStart(2, '0')}`
