import { Box, Grid, Text } from '@chakra-ui/react'
import { useEffect, useMemo, useState } from 'react'
import {
  channelsRead,
  judgeAnswer,
  proofByLoads,
  type ChannelAt,
  type JudgedCheck,
  type Outcome,
  type ProofByLoads,
} from '@plumb-mark/core'
import { isLive, useLiveOf } from '../../devices/live.js'
import { Simulated } from '../../devices/simulated.js'
import { useDeviceAnswer } from '../../devices/use-device-answer.js'
import { Note, Strong } from '../../ui/theme/text.js'
import { TextField } from '../../ui/text-field.js'
import { useInspection } from '../../job/inspection.js'
import { useDraftAnswer } from '../../checks/record/draft-answer.js'
import { useAnswering } from '../use-answering.js'
import { Cluster } from '../../ui/cluster.js'
import { HandButton } from '../../ui/buttons.js'

const NOTHING: ProofByLoads = { change: undefined, problems: [] }

/**
 * The proof while the meter answers: the moment before is remembered, known loads are switched on by hand, and what changed on each
 * channel moves the phasors and is judged at once.
 */
export function LiveProof({ judged }: { judged: JudgedCheck }) {
  const { check } = judged
  const keep = useAnswering()
  const live = useLiveOf(check.unit.id)
  const tell = useDeviceAnswer(judged)
  const context = useInspection(({ inspection }) => inspection?.context)
  const show = useDraftAnswer((state) => state.show)
  const [before, setBefore] = useState<readonly (ChannelAt | undefined)[]>()
  const [loads, setLoads] = useState<readonly string[]>([])
  const requirement = check.requirement.kind === 'ct-proof' ? check.requirement : undefined
  const now = useMemo(
    () => (requirement ? channelsRead(requirement, live?.points ?? {}) : []),
    [live, requirement],
  )
  const { change, answer, problems } = useMemo(
    () => (before ? proofByLoads(before, now, loads) : NOTHING),
    [before, now, loads],
  )
  const outcome: Outcome | undefined = useMemo(() => {
    if (!answer || !context) return undefined
    const done = judgeAnswer(check, answer, { instrument: undefined }, context)
    return done.ok ? done.outcome : undefined
  }, [answer, check, context])
  useEffect(() => {
    if (answer) show(check.id, answer)
    return () => show(undefined, undefined)
  }, [answer, check.id, show])
  if (!keep || !tell || !isLive(live) || !requirement) return null
  const save = () => {
    const word = tell()?.word
    if (answer) keep(judged, answer, word)
    setBefore(undefined)
  }
  return (
    <Box bg="panel" borderRadius="4px" p="14px" mb="12px" as="section" aria-label="Proof by a known load">
      <Cluster mb="8px">
        <Strong>Switch known loads, watch what changes</Strong>
        {live.device.simulated && <Simulated />}
      </Cluster>
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
                onChange={(text) => setLoads(now.map((_, k) => (k === i ? text : (loads[k] ?? ''))))}
                inputMode="decimal"
                problem={problems[i]}
              />
            )}
          </Box>
        ))}
      </Grid>
      <Cluster mt="10px">
        <HandButton variant={before ? 'outline' : 'solid'} onClick={() => setBefore(now)}>
          {before ? 'Begin again from this moment' : 'Remember this moment, then switch a load on'}
        </HandButton>
        {answer && <HandButton onClick={save}>Save what changed</HandButton>}
      </Cluster>
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
