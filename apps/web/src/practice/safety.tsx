import { Button } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { SAFETY_STEPS, SAFETY_WORDS, type SafetyStep } from '@plumb-mark/practice'
import { SmallPrint, Strong } from '../ui/theme/text.js'
import { usePractice } from './session.js'
import { Cluster } from '../ui/cluster.js'

/** The capacitors take five minutes; here a minute passes in a second. */
const WAIT_SECONDS = 5

/** What is done before hands go near conductors; in which order, and whether the wait was waited out, is the trainee's. */
export function Safety() {
  const { log, done } = usePractice()
  const [left, setLeft] = useState(0)
  useEffect(() => {
    if (left === 0) return
    const timer = setTimeout(() => {
      if (left === 1) done({ safety: 'waited' })
      setLeft(left - 1)
    }, 1000)
    return () => clearTimeout(timer)
  }, [left, done])
  const was = (step: SafetyStep) => log.some((one) => 'safety' in one && one.safety === step)
  const take = (step: SafetyStep) => (step === 'waited' ? setLeft(WAIT_SECONDS) : done({ safety: step }))
  return (
    <Cluster as="section" aria-label="Before you touch" mt="12px">
      <Strong>Before you touch</Strong>
      {SAFETY_STEPS.map((step) => (
        <Button
          key={step}
          variant={was(step) ? 'solid' : 'outline'}
          aria-pressed={was(step)}
          disabled={step === 'waited' && left > 0}
          onClick={() => take(step)}
        >
          {step === 'waited' && left > 0 ? `${left} min left` : SAFETY_WORDS[step]}
        </Button>
      ))}
      <SmallPrint>The order is yours; here a minute of waiting takes a second.</SmallPrint>
    </Cluster>
  )
}
