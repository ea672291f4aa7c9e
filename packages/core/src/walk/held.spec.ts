import { Site, sheet } from '../requirements/site.testing.js'
import { heldBy } from './held.js'

const order = (id: string, direction: 'up' | 'down') => ({
  id,
  kind: 'ordered-steps',
  title: id,
  stage: 'power-up',
  direction,
  steps: [{ id: 'mains', label: 'switch the mains on' }],
})
const seal = { id: 'seal', kind: 'observation', title: 'Seal', severity: 'stop', question: 'Is it whole?' }
const site = () =>
  new Site().unit(sheet('U', 'hybrid-inverter', [order('on', 'up'), order('off', 'down'), seal]), {
    label: 'Box',
  })
const raised = () =>
  site().write(
    { kind: 'observation', body: { point: 'U/seal/unit', seen: false } },
    {
      kind: 'defect-raised',
      body: {
        defectId: 'd',
        checkId: 'U/seal/unit',
        severity: 'stop',
        title: 'Seal',
        place: 'Box',
        finding: 'broken',
        remedy: 'Seal it.',
      },
    },
  )
const held = (at: Site, id: string) =>
  heldBy(at.check(id).check, at.inspection.defects).map(({ title }) => title)

it('an open stop holds what switches on, anywhere in the job, and never what switches off', () => {
  expect(held(raised(), 'U/on/unit')).toEqual(['Seal'])
  expect(held(raised(), 'U/off/unit')).toEqual([])
  expect(held(site(), 'U/on/unit')).toEqual([])
})
it('a step that was taken all the same says by whom it was allowed, in the answer and in its notes', () => {
  const allowed = { reason: 'the pumps were needed', by: 'Isaura Penhale' }
  const at = raised().write({
    kind: 'record',
    body: { point: 'U/on/unit', answer: { done: [{ id: 'mains', at: '2026-06-01T08:00:00Z', allowed }] } },
  })
  const { outcome } = at.check('U/on/unit')
  expect('notes' in outcome && outcome.notes.map(String)).toContain(
    'switch the mains on was done while a stop stood, allowed by Isaura Penhale: the pumps were needed',
  )
})
