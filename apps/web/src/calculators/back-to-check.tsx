import { Button } from '@chakra-ui/react'
import { useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { may } from '@plumb-mark/core'
import type { CalculatorName } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { checkAddress } from '../job/check-in-address.js'
import { Problem } from '../ui/problem.js'
import { keepCalculation } from './keep-calculation.js'
import { Cluster } from '../ui/cluster.js'

/** A calculator that was opened from a check: back to it, with the answer noted in its job where it is wanted. */
export function BackToCheck({ name, input }: { name: CalculatorName; input: unknown }) {
  const [fields] = useSearchParams()
  const go = useNavigate()
  const role = useSession(({ person }) => person?.role)
  const [problem, setProblem] = useState('')
  const [jobId, stage, checkId] = [fields.get('job'), fields.get('stage'), fields.get('check')]
  if (!jobId || !stage || !checkId) return null
  const back = () => void go(checkAddress(jobId, stage, checkId))
  const note = async () => {
    try {
      await keepCalculation(jobId, name, input, `for the check ${checkId}`)
      back()
    } catch (fault) {
      setProblem((fault as Error).message)
    }
  }
  return (
    <>
      <Cluster mb="12px">
        <Button onClick={back}>Back to the check</Button>
        {may('calculation-kept', role) && (
          <Button variant="outline" onClick={() => void note()}>
            Note the answer, and back
          </Button>
        )}
      </Cluster>
      <Problem>{problem && `Not noted: ${problem}`}</Problem>
    </>
  )
}
