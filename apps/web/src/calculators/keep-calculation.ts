import { v7 as uuid } from 'uuid'
import type { Appended } from '@plumb-mark/contract'
import type { CalculatorName } from '@plumb-mark/core'
import { post } from '../data/api.js'
import { CATALOGUE } from '../data/calculators/catalogue.js'

/** Appends a calculation to the record of a job: its inputs are kept, its result is worked out again wherever it is shown. */
export const keepCalculation = (
  jobId: string,
  calculator: CalculatorName,
  input: unknown,
  note?: string,
): Promise<Appended> =>
  post<Appended>(`/api/jobs/${jobId}/entries`, {
    entries: [
      {
        id: uuid(),
        kind: 'calculation-kept',
        at: new Date().toISOString(),
        body: { calculator, title: CATALOGUE[calculator].title, input, ...(note && { note }) },
      },
    ],
  })
