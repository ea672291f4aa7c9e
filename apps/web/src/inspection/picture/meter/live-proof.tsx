import { Box, Button, Flex, Grid, Text } from '@chakra-ui/react'
import { useEffect, useMemo, useState } from 'react'
import {
  changeByKnownLoad,
  judgeAnswer,
  parseQuantity,
  pointKey,
  type AnswerOf,
  type ChannelAt,
  type JudgedCheck,
  type Outcome,
} from '@plumb-mark/core'
import type { LiveDevice } from '@plumb-mark/contract'
import { isLive, useLiveOf } from '../../../devices/live.js'
import { Simulated } from '../../../devices/simulated.js'
import { useDeviceAnswer } from '../../../devices/use-device-answer.js'
import { Note } from '../../../look/text.js'
import { TextField } from '../../../marks/text-field.js'
import { useInspection } from '../../../store/inspection.js'
import { useDraftAnswer } from '../../checks/record/draft-answer.js'
import { useAnswering } from '../use-answering.js'

/**
 * The proof while the meter answers: the moment before is remembered, known loads are switched on by hand, and what changed on each
 * channel moves the phasors and is judged at once.
 */
export function LiveProof({ judged }: { judged: JudgedCheck }) {
  const { check } = judged
  const keep = useAnswering()
  const live = useLiveOf(check.unit.id)
  const tell = useDeviceAnswer(judged)
  const around = useInspection(({ inspection }) => inspection?.around)
  const show = useDraftAnswer((state) => state.show)
  const [before, setBefore] = useState<readonly (ChannelAt | undefined)[]>()
  const [loads, setLoads] = useState<readonly string[]>([])
  const requirement = check.requirement.kind === 'ct-proof' ? check.requirement : undefined
  const now = useMemo(() => channelsOf(live, requirement?.from), [live, requirement])
  const switched = Array.from({ length: requirement?.phases ?? 0 }, (_, i) => wattsIn(loads[i]))
  const change = before && changeByKnownLoad(before, now, switched)
  const answer = change && asAnswer(change)
  const said = JSON.stringify(answer)
  const outcome: Outcome | undefined = useMemo(() => {
    if (!said || !around) return undefined
    const done = judgeAnswer(check, JSON.parse(said), { instrument: undefined }, around)
    return done.ok ? done.outcome : undefined
  }, [said, check, around])
  useEffect(() => {
    if (said) show(check.id, JSON.parse(said) as AnswerOf<'fields'>)
    return () => show(undefined, undefined)
  }, [said, check.id, show])
  if (!keep || !tell || !isLive(live) || !requirement) return null
  const save = () => {
    const word = tell()?.word
    if (answer) keep(judged, answer, word)
    setBefore(undefined)
  }
  return (
    <Box bg="panel" borderRadius="4px" p="14px" mb="12px" as="section" aria-label="Proof by a known load">
      <Flex gap="12px" align="center" wrap="wrap" mb="8px">
        <Text fontWeight={600}>Switch known loads, watch what changes</Text>
        {live.device.simulated && <Simulated />}
      </Flex>
      <Grid templateColumns={`repeat(${requirement.phases}, 1fr)`} gap="10px">
        {now.map((channel, i) => (
          <Box key={i}>
            <Note>channel {i + 1} now</Note>
            <Text fontFamily="mono" fontSize="22px">
              {channel ? `${Math.round(channel.active)} W` : '–'}
            </Text>
            {change && (
              <Note>
                changed by {Math.round(change[i]!.active)} W, {Math.round(change[i]!.reactive)} var
              </Note>
            )}
            {before && (
              <TextField
                label={`Known load switched on L${i + 1}, W`}
                value={loads[i] ?? ''}
                onChange={(text) => setLoads(switched.map((_, k) => (k === i ? text : (loads[k] ?? ''))))}
                inputMode="decimal"
              />
            )}
          </Box>
        ))}
      </Grid>
      <Flex gap="12px" wrap="wrap" align="center" mt="10px">
        <Button variant={before ? 'outline' : 'solid'} h="56px" onClick={() => setBefore(now)}>
          {before ? 'Begin again from this moment' : 'Remember this moment, then switch a load on'}
        </Button>
        {answer && (
          <Button h="56px" onClick={save}>
            Save what changed
          </Button>
        )}
      </Flex>
      {outcome && 'finding' in outcome && (
        <Text
          mt="8px"
          fontSize="18px"
          role="status"
          color={outcome.verdict === 'does-not-conform' ? 'danger' : undefined}
        >
          {outcome.verdict === 'not-proven' ? String(outcome.wanting) : String(outcome.finding)}
        </Text>
      )}
    </Box>
  )
}

type From = Extract<JudgedCheck['check']['requirement'], { kind: 'ct-proof' }>['from']

function channelsOf(live: LiveDevice | undefined, from: From): (ChannelAt | undefined)[] {
  return (from ?? []).map((channel) => {
    const [voltage, active, reactive] = [channel.voltage, channel.active, channel.reactive].map((point) =>
      Number(live?.points[pointKey(point)]?.value),
    ) as [number, number, number]
    return [voltage, active, reactive].every(Number.isFinite) ? { voltage, active, reactive } : undefined
  })
}

const wattsIn = (text: string | undefined): number => {
  const parsed = parseQuantity(text?.trim() || '0', 'power', { assume: 'W' })
  return parsed.ok ? parsed.quantity.value : 0
}

const asAnswer = (change: readonly (ChannelAt & { load: number })[]): AnswerOf<'fields'> => ({
  values: Object.fromEntries(
    change.flatMap(({ voltage, active, reactive, load }, i) =>
      [
        [`v${i + 1}`, voltage, 'V'] as const,
        [`p${i + 1}`, load, 'W'] as const,
        [`r${i + 1}`, active, 'W'] as const,
        [`q${i + 1}`, reactive, 'var'] as const,
      ].map(([id, value, unit]) => [id, { typed: `${value} ${unit}`, value }]),
    ),
  ),
})
