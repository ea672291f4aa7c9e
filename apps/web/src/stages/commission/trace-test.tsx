import { Box, Button, Text, chakra } from '@chakra-ui/react'
import { useEffect, useMemo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { TraceKept } from '@plumb-mark/contract'
import {
  inForce,
  limitOf,
  standingOf,
  type JudgedCheck,
  type Trace,
  type TraceAnswer,
  type TraceFacts,
  type TraceTest as Requirement,
} from '@plumb-mark/core'
import { isLive, useLive } from '../../devices/live.js'
import { Simulated } from '../../devices/simulated.js'
import { putFile } from '../../data/api.js'
import { download } from '../../ui/download.js'
import { Danger, Note, SmallPrint } from '../../ui/theme/text.js'
import { Problem } from '../../ui/problem.js'
import { useInspection } from '../../job/inspection.js'
import { useMessageText } from '../../job/message-text.js'
import { traceWork, useDigest } from '../../data/workers/use-trace.js'
import { UnitHeading } from '../unit-heading.js'
import { useAnswering } from '../use-answering.js'
import { KeptTrace } from './kept-trace.js'
import {
  asTrace,
  markEvent,
  setEvent,
  startRecording,
  stopRecording,
  useRecordings,
  type Recording,
} from './recording.js'
import { TraceChartLater } from './trace-chart-later.js'
import { TraceSources } from './trace-sources.js'
import { tracedBy } from './traced-by.js'
import { deviceWordOf } from './device-word-of.js'
import { Cluster } from '../../ui/cluster.js'
import { HandButton } from '../../ui/buttons.js'
import { Numbered } from '../../ui/list.js'

/** A test with its trace: what to do, the trace as it grows, the event by a touch, judged meanwhile; then a file with its digest. */
export function TraceTest({ judged }: { judged: JudgedCheck }) {
  const { check } = judged
  const keep = useAnswering()
  const recording = useRecordings(({ of }) => of[check.id])
  if (check.requirement.kind !== 'trace-test') return null
  const { requirement } = check
  return (
    <Box as="section" aria-label={`${check.title}, ${check.unit.label}`}>
      <UnitHeading judged={judged} />
      <Recipe requirement={requirement} />
      {recording ? (
        <Running judged={judged} requirement={requirement} recording={recording} keep={keep} />
      ) : (
        <KeptTrace judged={judged} />
      )}
      {keep && !recording?.running && (
        <Start judged={judged} requirement={requirement} again={recording !== undefined} />
      )}
    </Box>
  )
}

function Recipe({ requirement: { do: steps, record } }: { requirement: Requirement }) {
  return (
    <Numbered mb="10px" fontSize="16px" lineHeight={1.5}>
      {steps.map((step) => (
        <li key={step}>{step}</li>
      ))}
      <li>go on tracing for {record} s</li>
    </Numbered>
  )
}

function Start({
  judged,
  requirement,
  again,
}: {
  judged: JudgedCheck
  requirement: Requirement
  again: boolean
}) {
  const inspection = useInspection((state) => state.inspection)
  const devices = useLive((live) => live.devices)
  const traced = inspection ? tracedBy(judged, requirement, inspection) : []
  const answers = traced[0] && devices.some((device) => device.unitId === traced[0]!.unitId && isLive(device))
  return (
    <Cluster mt="10px">
      {answers && (
        <HandButton fontSize="17px" onClick={() => startRecording(judged.check.id, traced)}>
          {again ? 'Trace anew' : 'Start the trace'}
        </HandButton>
      )}
      {!answers && <Note>No device answers here: read the trace from a file, or type a few moments.</Note>}
      <TraceSources id={judged.check.id} requirement={requirement} />
    </Cluster>
  )
}

interface RunningProps {
  judged: JudgedCheck
  requirement: Requirement
  recording: Recording
  keep: ReturnType<typeof useAnswering>
}

function Running({ judged, requirement, recording, keep }: RunningProps) {
  const { id } = judged.check
  const by = useMemo(() => limitOf(requirement), [requirement])
  const trace = useMemo(() => asTrace(recording), [recording])
  const { eventAt, running, lostAt } = recording
  const digest = useDigest(trace, by, eventAt)
  const facts = digest?.facts
  const end = recording.t.at(-1) ?? 0
  const left = eventAt === undefined ? undefined : eventAt + requirement.record - end
  useEffect(() => {
    if (running && left !== undefined && left <= 0) stopRecording(id)
  }, [running, left, id])
  const simulated = useLive(({ devices }) => devices.some(({ device }) => device?.simulated))
  const now = recording.values[0]?.at(-1)
  return (
    <Box>
      <Cluster alignItems="baseline" gap="16px" mb="6px">
        <Text fontFamily="mono" fontSize="34px" lineHeight={1.1} data-trace-now>
          {now === undefined || Number.isNaN(now) ? '–' : Math.round(now)} {recording.traced[0]!.unit}
        </Text>
        <Text fontSize="16px">{recording.traced[0]!.name}</Text>
        {recording.source === 'live' && simulated && <Simulated />}
        {running && (
          <Note role="timer">
            {Math.round(end)} s traced{left !== undefined && left > 0 ? `, ${Math.ceil(left)} s to go` : ''}
          </Note>
        )}
        {lostAt !== undefined && <Danger>the device fell silent at {Math.round(lostAt)} s</Danger>}
      </Cluster>
      {digest && digest.samples > 1 && (
        <TraceChartLater digest={digest} unit={recording.traced[0]!.unit} by={by} eventAt={eventAt} />
      )}
      <Cluster mt="10px">
        {running && eventAt === undefined && (
          <Button h="72px" fontSize="19px" minW={{ sm: '300px' }} onClick={() => markEvent(id)}>
            Now: {requirement.event}
          </Button>
        )}
        {running && (
          <HandButton variant="outline" onClick={() => stopRecording(id)}>
            Stop
          </HandButton>
        )}
        {!running && <EventField id={id} recording={recording} />}
        {!running && keep && (
          <Keep
            judged={judged}
            recording={recording}
            trace={trace}
            end={digest?.end ?? 0}
            keep={keep}
            by={by}
            facts={facts}
          />
        )}
      </Cluster>
      <Standing facts={facts} eventAt={eventAt} requirement={requirement} end={end} />
    </Box>
  )
}

function Standing({
  facts,
  eventAt,
  requirement,
  end,
}: {
  facts: TraceFacts | undefined
  eventAt: number | undefined
  requirement: Requirement
  end: number
}) {
  const saying = useMessageText()
  if (!facts || eventAt === undefined) return null
  const { verdict, finding } = standingOf(requirement, { eventAt, end, found: facts })
  return (
    <Text mt="8px" fontSize="18px" color={COLOURS[verdict]} role="status">
      {saying(finding)}
    </Text>
  )
}

const COLOURS = { conforms: 'accent', 'does-not-conform': 'danger', 'not-proven': 'unproven' } as const

function EventField({ id, recording: { eventAt, t } }: { id: string; recording: Recording }) {
  return (
    <chakra.label display="flex" alignItems="center" gap="8px" fontSize="15px">
      Event at, s
      <chakra.input
        type="number"
        step="0.5"
        min={t[0] ?? 0}
        max={t.at(-1) ?? 0}
        value={eventAt === undefined ? '' : Math.round(eventAt * 10) / 10}
        onChange={(event) => event.target.value !== '' && setEvent(id, Number(event.target.value))}
        w="100px"
        minH="44px"
        px="10px"
        fontFamily="mono"
        bg="panel"
        border="1px solid"
        borderColor="faint"
        borderRadius="4px"
      />
    </chakra.label>
  )
}

function Keep({
  judged,
  recording,
  keep,
  by,
  facts,
  trace,
  end,
}: {
  judged: JudgedCheck
  recording: Recording
  trace: Trace
  /** s of the last sample of what was watched. */
  end: number
  keep: NonNullable<ReturnType<typeof useAnswering>>
  by: ReturnType<typeof limitOf>
  facts: TraceFacts | undefined
}) {
  const jobId = useInspection((state) => state.jobId)
  const { set } = useRecordings()
  const [sending, setSending] = useState(false)
  const [problem, setProblem] = useState('')
  const [sure, setSure] = useState(false)
  const send = async () => {
    if (!facts || recording.eventAt === undefined) return
    setSending(true)
    setProblem('')
    try {
      const file = await traceWork('write', { trace })
      const kept = await putFile<TraceKept>(`/api/jobs/${jobId}/traces/${uuid()}`, 'trace', file)
      const channel = recording.traced[0]!.name
      const answer: TraceAnswer = {
        trace: {
          id: kept.id,
          sha256: kept.sha256,
          samples: kept.samples,
          startedAt: recording.startedAt,
          source: recording.source,
        },
        channel,
        eventAt: recording.eventAt,
        end,
        by,
        found: facts,
        ...(recording.lostAt !== undefined && { lostAt: recording.lostAt }),
      }
      keep(judged, answer, recording.source === 'live' ? deviceWordOf(judged) : undefined)
      set(judged.check.id, undefined)
    } catch (fault) {
      setProblem(
        `${(fault as Error).message}: the trace stays here until it can be sent, or save it as a file`,
      )
    } finally {
      setSending(false)
    }
  }
  return (
    <>
      <HandButton disabled={!facts} loading={sending} onClick={() => void send()}>
        Save the trace
      </HandButton>
      <Button
        variant="outline"
        onClick={() => void traceWork('write', { trace }).then((file) => download('trace.csv', file))}
      >
        Export as CSV
      </Button>
      <Button variant="plain" onClick={() => (sure ? set(judged.check.id, undefined) : setSure(true))}>
        {sure ? 'Discard for good' : 'Discard'}
      </Button>
      {!facts && <SmallPrint>Say when the event was: the trace must cover it.</SmallPrint>}
      {inForce(judged.history) && <SmallPrint>The trace kept before stays in the history.</SmallPrint>}
      <Problem>{problem}</Problem>
    </>
  )
}
