import { Box, Grid, Text } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import {
  STAGE_TITLES,
  blocksOf,
  walkPlan,
  type Inspection,
  type MinutesByKind,
  type PlannedBlock,
  type WalkPlan,
  type WorkPlace,
} from '@plumb-mark/core'
import { Mono, Note, Small } from '../ui/theme/text.js'
import { ChoiceField, optionsOf } from '../ui/choice-field.js'
import { TextField } from '../ui/text-field.js'
import { useClauseHistory } from '../data/clause-history.js'
import { useSiteTime } from '../job/site-time.js'
import { SunsetHere } from './sunset-here.js'
import { Cluster } from '../ui/cluster.js'

const PLACE_WORDS = {
  roof: 'the roof',
  units: 'the inverters',
  board: 'the board and meter',
  battery: 'the battery',
} satisfies Record<WorkPlace, string>
const MINUTE_MS = 60_000

/** In which order what is left is best done: before dusk, with the fewest trips, the likeliest wrong first. */
export function OrderPart({ inspection, minutes }: { inspection: Inspection; minutes: MinutesByKind }) {
  const history = useClauseHistory()
  const [start] = useState(() => Date.now())
  const [from, setFrom] = useState<WorkPlace>('units')
  const [light, setLight] = useState('')
  const dusk = minutesUntil(light, start)
  const plan = useMemo(() => {
    const kindOf = (unitId: string) => inspection.context.sheetOf(unitId)?.kind
    return walkPlan(blocksOf(inspection.checks, kindOf, history, minutes), dusk, from)
  }, [inspection, history, minutes, dusk, from])
  if (plan.blocks.length === 0) return <Text>Nothing is left that asks for a look.</Text>
  return (
    <Box>
      <Cluster mb="10px">
        <Box w="200px">
          <ChoiceField
            label="You stand at"
            value={from}
            options={optionsOf(Object.keys(PLACE_WORDS) as WorkPlace[], PLACE_WORDS)}
            onChange={setFrom}
          />
        </Box>
        <Box w="200px">
          <TextField label="Light until" type="time" value={light} onChange={setLight} />
        </Box>
        <SunsetHere onTime={setLight} />
      </Cluster>
      <Said plan={plan} dusk={dusk} known={history.length > 0} />
      {plan.blocks.map((block) => (
        <Block key={`${block.stage} ${block.place}`} block={block} start={start} />
      ))}
    </Box>
  )
}

/** Minutes from now until a time of today; undefined while none is said, or when it has passed. */
function minutesUntil(light: string, now: number): number | undefined {
  if (light === '') return undefined
  const [hours, minutes] = light.split(':').map(Number)
  const at = new Date(now).setHours(hours!, minutes!, 0, 0)
  return Math.max(0, (at - now) / MINUTE_MS)
}

function Said({
  plan: { trips, afterDusk },
  dusk,
  known,
}: {
  plan: WalkPlan
  dusk: number | undefined
  known: boolean
}) {
  return (
    <Note mb="6px">
      {trips === 0
        ? 'Without going from place to place'
        : `Going ${trips} ${trips === 1 ? 'time' : 'times'} from place to place`}
      {known
        ? '; what failed most on such units first where the order is free'
        : '; no other job tells yet what fails most'}
      .
      {dusk !== undefined &&
        (afterDusk > 0
          ? ` ${Math.round(afterDusk)} minutes that need daylight lie after dusk: begin earlier, or come twice.`
          : ' What needs daylight is done before dusk.')}
    </Note>
  )
}

function Block({ block, start }: { block: PlannedBlock; start: number }) {
  const { jobId } = useParams()
  const time = useSiteTime()
  const { stage, place, checks, startsAt, daylight, worst } = block
  return (
    <Grid
      layerStyle="ruleAbove"
      templateColumns={{ base: '70px 1fr', md: '70px 1fr 1.4fr' }}
      gap="12px"
      py="9px"
      alignItems="baseline"
    >
      <Mono>{time.hour(new Date(start + startsAt * MINUTE_MS).toISOString())}</Mono>
      <Box>
        <Link to={`/jobs/${jobId}/walk/${stage}`}>{STAGE_TITLES[stage]}</Link> at {PLACE_WORDS[place]}
        <Note>
          {checks.length} {checks.length === 1 ? 'check' : 'checks'}, {block.minutes} min
          {daylight ? ', needs daylight' : ''}
        </Note>
      </Box>
      <Small gridColumn={{ base: '2', md: '3' }}>
        {worst.map(({ title, rate }) => `${title}: wrong in ${Math.round(100 * rate)} of 100`).join('; ')}
      </Small>
    </Grid>
  )
}
