import { Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useShallow } from 'zustand/react/shallow'
import { inBothSystems, measures, type Instrument, type JudgedCheck } from '@plumb-mark/core'
import { isHeld, look, wiringAt, type Found, type Hold, type Scenario } from '@plumb-mark/practice'
import { Note } from '../ui/theme/text.js'
import { VerdictMark } from '../ui/verdict-mark.js'
import { HoldFields } from './instruments/hold-fields.js'
import { Row, WillBeFine } from './row.js'
import { Seen } from './seen/seen.js'
import { minutesSince, unseen, usePractice } from './session.js'
import { Cluster } from '../ui/cluster.js'
import { HandButton } from '../ui/buttons.js'

/** A check of the installation. What it asks is answered by whoever looks: a picture, or a display, says nothing of right or wrong. */
export function CheckPlace({
  judged,
  scenario,
  bag,
}: {
  judged: JudgedCheck
  scenario: Scenario
  bag: readonly Instrument[]
}) {
  const { done, began } = usePractice(useShallow(({ done, began }) => ({ done, began })))
  const [shown, setShown] = useState<Found>()
  const [hold, setHold] = useState<Hold>({})
  const { check, outcome } = judged
  const { ask, point } = check
  const measured = ask.kind === 'reading'
  const fits = !measured || !hold.instrument || measures(hold.instrument, ask.dimension)
  const reach = () => {
    done({ point })
    if (fits) setShown(look(scenario, point, hold, minutesSince(began, Date.now())))
  }
  return (
    <Row
      where={point}
      title={check.title}
      place={check.place}
      state={<VerdictMark verdict={outcome.verdict} />}
    >
      {(keep, takeBack) => (
        <>
          <Text>{ask.kind === 'observation' ? ask.question : inBothSystems(check.required, 'metric')}</Text>
          {measured && (
            <HoldFields
              check={check}
              scenario={scenario}
              bag={bag}
              hold={hold}
              onHold={(next) => (setHold(next), setShown(undefined))}
            />
          )}
          <Cluster mt="10px">
            {(measured || !shown) && (
              <HandButton disabled={measured && !isHeld(check, hold)} onClick={reach}>
                {measured ? 'Measure' : 'Look'}
              </HandButton>
            )}
            <WillBeFine onKeep={() => keep(unseen(scenario, point))} />
            {takeBack}
          </Cluster>
          {!fits && <Note mt="8px">The display stays blank: it does not measure that.</Note>}
          {shown && fits && (
            <Seen check={check} there={shown} sits={wiringAt(scenario, check)} onKeep={keep} />
          )}
        </>
      )}
    </Row>
  )
}
