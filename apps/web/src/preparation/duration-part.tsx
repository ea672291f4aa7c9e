import { Box, Button, Flex, Grid, Input } from '@chakra-ui/react'
import { useState } from 'react'
import {
  KINDS,
  MINUTES_BESIDE_CHECKS,
  STAGE_TITLES,
  type Duration,
  type KindName,
  type MinutesByKind,
} from '@plumb-mark/core'
import { Note, Small, SmallMono } from '../ui/theme/text.js'
import { useSession } from '../data/session.js'
import { put } from '../data/api.js'
import { Field } from '../ui/field.js'
import { durationWords } from '../visits/when.js'
import { LinkButton } from '../ui/buttons.js'

/** The expected time by stage, as bars of one scale; the office may say how long a check of each kind takes with its own people. */
export function DurationPart({
  duration,
  minutes,
  onMinutes,
}: {
  duration: Duration
  minutes: MinutesByKind
  onMinutes: (minutes: MinutesByKind) => void
}) {
  const office = useSession(({ person }) => person?.role) === 'office'
  const [adjusting, setAdjusting] = useState(false)
  const longest = Math.max(1, ...duration.stages.map((stage) => stage.minutes))
  return (
    <Box>
      {duration.stages.map(({ stage, checks, minutes: takes }) => (
        <Grid key={stage} templateColumns="150px 1fr 130px" gap="12px" alignItems="center" py="3px">
          <Small>{STAGE_TITLES[stage]}</Small>
          <Box bg="accent" h="10px" w={`${(100 * takes) / longest}%`} minW="3px" aria-hidden />
          <SmallMono textAlign="right">
            {durationWords(takes)}, {checks}
          </SmallMono>
        </Grid>
      ))}
      <Note mt="4px">
        With {MINUTES_BESIDE_CHECKS} min for arriving, looking round and the customer:{' '}
        {durationWords(duration.minutes)}.
      </Note>
      {office && (
        <LinkButton onClick={() => setAdjusting(!adjusting)}>
          {adjusting ? 'Close the figures' : 'Adjust the minutes of each kind of check'}
        </LinkButton>
      )}
      {adjusting && <Adjust minutes={minutes} onMinutes={onMinutes} />}
    </Box>
  )
}

function Adjust({
  minutes,
  onMinutes,
}: {
  minutes: MinutesByKind
  onMinutes: (minutes: MinutesByKind) => void
}) {
  const [draft, setDraft] = useState<Record<string, string>>(
    Object.fromEntries(Object.entries(minutes).map(([kind, n]) => [kind, String(n)])),
  )
  const [said, setSaid] = useState('')
  const keep = async () => {
    const read = Object.fromEntries(
      Object.entries(draft)
        .filter(([, text]) => text.trim() !== '')
        .map(([kind, text]) => [kind, Number(text)]),
    )
    try {
      onMinutes(await put<MinutesByKind>('/api/office/minutes', read))
      setSaid('kept for every job')
    } catch (fault) {
      setSaid((fault as Error).message)
    }
  }
  return (
    <Box
      as="form"
      bg="panel"
      p="14px"
      onSubmit={(event: React.FormEvent) => (event.preventDefault(), void keep())}
    >
      <Grid templateColumns="repeat(auto-fill, minmax(170px, 1fr))" gap="10px">
        {(Object.keys(KINDS) as KindName[]).map((kind) => (
          <Field key={kind} label={`${kind.replace(/-/g, ' ')} (${KINDS[kind].minutes} min)`}>
            {(ids) => (
              <Input
                {...ids}
                type="number"
                min={0}
                max={480}
                step={0.5}
                value={draft[kind] ?? ''}
                placeholder={String(KINDS[kind].minutes)}
                onChange={(event) => setDraft({ ...draft, [kind]: event.target.value })}
              />
            )}
          </Field>
        ))}
      </Grid>
      <Flex gap="12px" mt="12px" align="center">
        <Button type="submit">Save the figures</Button>
        <Small role="status">{said}</Small>
      </Flex>
    </Box>
  )
}
