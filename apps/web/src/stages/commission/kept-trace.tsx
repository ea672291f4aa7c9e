import { Box, Button, Text } from '@chakra-ui/react'
import { startTransition, useEffect, useState } from 'react'
import { canonicalUnit, inForce, type JudgedCheck, type TraceAnswer } from '@plumb-mark/core'
import { Simulated } from '../../devices/simulated.js'
import { SmallPrint } from '../../ui/theme/text.js'
import { useInspection } from '../../job/inspection.js'
import type { Digest } from '../../data/workers/trace-work.js'
import { traceWork } from '../../data/workers/use-trace.js'
import { TraceChartLater } from './trace-chart-later.js'
import { Cluster } from '../../ui/cluster.js'

const unitOf = ({ check: { requirement } }: JudgedCheck): string =>
  requirement.kind === 'trace-test' ? canonicalUnit(requirement.watch.dimension) : ''

/** The trace that is in force, drawn from its file, with its outcome and its fingerprint. */
export function KeptTrace({ judged }: { judged: JudgedCheck }) {
  const jobId = useInspection((state) => state.jobId)
  const current = inForce(judged.history)
  const body = current?.kind === 'record' ? current.body : undefined
  const answer = body && 'trace' in body.answer ? (body.answer as TraceAnswer) : undefined
  const address = answer && `/api/jobs/${jobId}/traces/${answer.trace.id}`
  const digest = useKept(address, answer)
  if (!answer || !address) return null
  const { outcome } = judged
  return (
    <Box>
      {digest && (
        <TraceChartLater digest={digest} unit={unitOf(judged)} by={answer.by} eventAt={answer.eventAt} />
      )}
      {'finding' in outcome && (
        <Text mt="8px" fontSize="18px" color={outcome.verdict === 'does-not-conform' ? 'danger' : undefined}>
          {String(outcome.finding)}
        </Text>
      )}
      <Cluster>
        {body?.word?.device.simulated && <Simulated />}
        <SmallPrint>
          {answer.trace.samples} samples, from {new Date(answer.trace.startedAt).toLocaleString()}, SHA-256{' '}
          {answer.trace.sha256.slice(0, 12)} …
        </SmallPrint>
        <Button asChild variant="plain">
          <a href={address} download>
            Export as CSV
          </a>
        </Button>
      </Cluster>
    </Box>
  )
}

/** What the file says, as far as it can be had: without signal the outcome stands without its drawing. */
function useKept(address: string | undefined, answer: TraceAnswer | undefined): Digest | undefined {
  const [kept, setKept] = useState<{ address: string; digest: Digest }>()
  useEffect(() => {
    if (!address || !answer) return
    let gone = false
    // The worker knows no address but whole ones.
    const whole = new URL(address, window.location.href).href
    traceWork('kept', { address: whole, by: answer.by, eventAt: answer.eventAt })
      .then((digest) => !gone && startTransition(() => setKept({ address, digest })))
      .catch(() => undefined)
    return () => {
      gone = true
    }
    // The answer of one trace never changes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [address])
  return kept?.address === address ? kept?.digest : undefined
}
