import { Box, Button, Grid, Text } from '@chakra-ui/react'
import { inForce, meant, pointKey, readsOf, type AnswerOf, type JudgedCheck } from '@plumb-mark/core'
import { isLive, useLiveOf } from '../../devices/live.js'
import { Simulated } from '../../devices/simulated.js'
import { useDeviceAnswer } from '../../devices/use-device-answer.js'
import { Lead, SmallPrint, Unproven } from '../../ui/theme/text.js'
import { useFocus } from '../../job/focus.js'
import { useAnswerOf } from '../answer-of.js'
import { UnitHeading } from '../unit-heading.js'
import { useAnswering } from '../use-answering.js'
import { Cluster } from '../../ui/cluster.js'

/** Figures that belong to one moment: what the device says now, large, what is kept of it, and what comes of it. The rest is typed. */
export function ReadFields({ judged }: { judged: JudgedCheck }) {
  const answer = useAnswerOf(judged) as AnswerOf<'fields'> | undefined
  const keep = useAnswering()
  const tell = useDeviceAnswer(judged)
  const live = useLiveOf(judged.check.unit.id)
  const openCheck = useFocus((focus) => focus.openCheck)
  const { ask, unit, title, id } = judged.check
  if (ask.kind !== 'record' || ask.form !== 'fields') return null
  const reads = readsOf(judged.check)
  const now = (part: string): string | undefined => {
    const point = reads.find((one) => one.part === part)?.point
    const read = point && live?.points[pointKey(point)]
    return read && live?.at ? String(meant(point, read.value, live.at)) : undefined
  }
  const take = () => {
    const told = tell?.()
    if (told) keep?.(judged, told.answer, told.word)
  }
  const current = inForce(judged.history)
  const word = current?.kind === 'record' ? current.body.word : undefined
  const { outcome } = judged
  return (
    <Box as="section" aria-label={`${title}, ${unit.label}`}>
      <UnitHeading judged={judged} />
      <Grid
        templateColumns="repeat(auto-fit, minmax(150px, 1fr))"
        gap="12px"
        bg="panel"
        p="14px"
        borderRadius="4px"
      >
        {ask.fields.map((field) => (
          <Box key={field.id}>
            <SmallPrint>{field.label}</SmallPrint>
            <Text fontFamily="mono" fontSize="24px" lineHeight={1.2}>
              {answer?.values[field.id]?.typed ?? '–'}
            </Text>
            {isLive(live) && now(field.id) !== undefined && (
              <SmallPrint>
                now {now(field.id)} {field.unit ?? ''}
              </SmallPrint>
            )}
          </Box>
        ))}
      </Grid>
      <Cluster mt="10px">
        {keep && tell && <Button onClick={take}>Take what {unit.label} says now</Button>}
        {keep && (
          <Button variant="outline" onClick={() => openCheck(id)}>
            Type the rest
          </Button>
        )}
        {word?.device.simulated && <Simulated />}
        {'finding' in outcome && <Lead>{String(outcome.finding)}</Lead>}
      </Cluster>
      {outcome.verdict === 'not-proven' && <Unproven>{String(outcome.wanting)}</Unproven>}
    </Box>
  )
}
