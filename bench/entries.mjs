import { uuid } from './site.mjs'

const torque = (i) => ({
  point: 'inv-2/dc-torque/pv1-plus',
  typed: `2.${i % 10} N·m`,
  value: Number(`2.${i % 10}`),
  unit: 'N·m',
  relation: '=',
})

/** Entries as a client sends them: things built and read by turns, or readings only. */
export function alternating(count, only) {
  return Array.from({ length: count }, (_, i) => {
    const built = only !== 'reading' && i % 2 === 0
    const [kind, body] = built
      ? ['part-placed', { id: `bench-${i % 40}`, label: `Part ${i}`, kind: 'board', rating: 63 }]
      : ['reading', torque(i)]
    return { id: uuid(), kind, at: new Date().toISOString(), body }
  })
}

/** One more reading of a job, as it would be kept. */
export const reading = (seq) => ({
  id: uuid(),
  jobId: 'bench',
  kind: 'reading',
  at: new Date().toISOString(),
  body: torque(5),
  by: { id: 'i', name: 'I', role: 'inspector' },
  seq: seq + 1,
  prev: '',
  hash: '',
})
