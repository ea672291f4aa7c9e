import type { Content } from 'pdfmake/interfaces.js'
import {
  attempt,
  inBothSystems,
  compute,
  VERDICT_WORDS,
  type BadInput,
  type Explained,
  type Inspection,
  type Verdict,
} from '@plumb-mark/core'
import { FAINT, when } from './look.js'

/** Calculations kept with the job: worked out again from their inputs, with their arithmetic. */
export function calculationPages({ state }: Inspection): Content {
  if (state.calculations.length === 0) return ''
  const system = state.header?.units ?? 'metric'
  return [
    { text: 'Calculations', style: 'part' },
    ...state.calculations.map(({ at, by, body }): Content => {
      const done = attempt(() => compute(body.calculator, body.input) as Explained & { verdict?: Verdict })
      const { verdict, working, notes } = done.ok ? done.value : refused(done.problem)
      return {
        unbreakable: true,
        margin: [0, 0, 0, 10],
        stack: [
          {
            columns: [
              { text: body.title, bold: true },
              { text: verdict ? VERDICT_WORDS[verdict] : '', alignment: 'right', width: 110 },
            ],
          },
          { text: `${when(at)}, ${by.name}`, style: 'small' },
          ...working.map((said): Content => ({ text: inBothSystems(said, system), style: 'figure' })),
          ...notes.map((said): Content => ({
            text: inBothSystems(said, system),
            style: 'small',
            color: FAINT,
          })),
        ],
      }
    }),
  ]
}

/** What an older program kept and this one does not take any more: shown as what it is. */
const refused = ({ message }: BadInput): Explained & { verdict?: Verdict } => ({
  working: [`cannot be worked out again: ${message}`],
  notes: [],
})
