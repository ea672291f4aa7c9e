import { Site, sheet } from '../requirements/site.testing.js'
import { bestNext } from './best-next.js'

const question = (id: string, stage: string, severity = 'major') => ({
  id,
  kind: 'observation',
  stage,
  severity,
  question: `${id}?`,
})
const CONTROLLER = sheet('X', 'controller', [
  question('bonded', 'earthing', 'stop'),
  question('started', 'power-up'),
])
const seen = (point: string, seen: boolean) => ({ kind: 'observation' as const, body: { point, seen } })
const after = (...answers: ReturnType<typeof seen>[]) =>
  bestNext(answers.reduce((site, answer) => site.write(answer), new Site().unit(CONTROLLER)).inspection, [])

it('a walk goes on before it is energised, and then where it is', () => {
  expect(after()).toBe('earthing')
  expect(after(seen('X/bonded/unit', true))).toBe('power-up')
  expect(after(seen('X/bonded/unit', true), seen('X/started/unit', true))).toBeUndefined()
})

it('nothing that is energised is proposed while a stop stands', () =>
  expect(after(seen('X/bonded/unit', false))).toBeUndefined())
