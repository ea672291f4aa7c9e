import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { inForce, readTrace, type JudgedCheck, type Trace, type TraceAnswer } from '@plumb-mark/core'
import { Simulated } from '../../../devices/simulated.js'
import { SmallPrint } from '../../../look/text.js'
import { useInspection } from '../../../store/inspection.js'
import { TraceChart } from './trace-chart.js'

/** The trace that is in force, drawn from its file, with its outcome and its fingerprint. */
export function KeptTrace({ judged }: { judged: JudgedCheck }) {
  const jobId = useInspection((state) => state.jobId)
  const current = inForce(judged.history)
  const body = current?.kind === 'record' ? current.body : undefined
  const answer = body && 'trace' in body.answer ? (body.answer as TraceAnswer) : undefined
  const address = answer && `/api/jobs/${jobId}/traces/${answer.trace.id}`
  const trace = useTrace(address)
  if (!answer || !address) return null
  const { outcome } = judged
  return (
    <Box>
      {trace && <TraceChart trace={trace} by={answer.by} eventAt={answer.eventAt} found={answer.found} />}
      {'finding' in outcome && (
        <Text mt="8px" fontSize="18px" color={outcome.verdict === 'does-not-conform' ? 'danger' : undefined}>
          {String(outcome.finding)}
        </Text>
      )}
      <Flex gap="12px" align="center" wrap="wrap">
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
      </Flex>
    </Box>
  )
}

/** The file of a trace, as far as it can be had: without signal the outcome stands without its drawing. */
function useTrace(address: string | undefined): Trace | undefined {
  const [trace, setTrace] = useState<{ address: string; trace: Trace }>()
  useEffect(() => {
    if (!address) return
    let gone = false
    fetch(address)
      .then(async (response) => {
        if (!response.ok) return
        const read = readTrace(await response.text())
        if (!gone) setTrace({ address, trace: read })
      })
      .catch(() => undefined)
    return () => {
      gone = true
    }
  }, [address])
  return trace?.address === address ? trace?.trace : undefined
}
