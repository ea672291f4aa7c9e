import { SampleJob } from '../admission/sample-job.testing.js'
import { remarkedOn, sayAmendment } from './say-defect.js'

it('what was said otherwise is said in one order, and no more than was said', () => {
  const said = (body: object) => sayAmendment({ body: { defectId: 'd', ...body } })
  expect(
    said({ responsible: 'Roof crew', due: '2026-06-08', severity: 'minor', reason: 'it is only one' }),
  ).toBe('severity minor, due 2026-06-08, for Roof crew')
  expect(said({ remedy: 'tighten' })).toBe('remedy: tighten')
})

it('a remark leads to what it is about; about what is gone, or the job, it leads nowhere', () => {
  const { inspection } = SampleJob.opened().torque('1 N·m', 1).raiseTorque()
  expect(remarkedOn({ checkId: 'u/torque/a' }, inspection).check?.id).toBe('u/torque/a')
  expect(remarkedOn({ defectId: 'd' }, inspection).defect?.id).toBe('d')
  expect(remarkedOn({ checkId: 'u/gone/a' }, inspection)).toEqual({})
  expect(remarkedOn({}, inspection)).toEqual({})
})
