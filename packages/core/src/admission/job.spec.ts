import { inForce } from '../job/state.js'
import fc from 'fast-check'
import { canonicalJson } from '../job/canonical.js'
import { verifyChain } from '../job/chain.js'
import type { Entry } from '../job/entry.js'
import { fold } from '../job/fold.js'
import { SIGNATURE, SampleJob, sha256 } from './sample-job.testing.js'

it('one content has one spelling, whatever the order of its keys', () => {
  expect(canonicalJson({ b: [1, { d: undefined, c: 'é' }], a: null })).toBe('{"a":null,"b":[1,{"c":"é"}]}')
  fc.assert(
    fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (value) =>
      expect(canonicalJson(Object.fromEntries(Object.entries(value).reverse()))).toBe(canonicalJson(value)),
    ),
  )
})

describe('a chain', () => {
  const whole = () => SampleJob.opened().answered()

  it('that nobody touched is intact, sealed or not', () => {
    const job = whole()
    expect(verifyChain(job.entries, sha256)).toEqual([])
    expect(verifyChain(job.write('reviewer', 'signed', SIGNATURE(job)).entries, sha256)).toEqual([])
  })

  it.each<[string, (entries: Entry[]) => Entry[], string]>([
    [
      'a changed reading',
      (all) =>
        all.map((entry) =>
          entry.kind === 'reading' ? { ...entry, body: { ...entry.body, value: 2.6 } } : entry,
        ),
      'changed',
    ],
    [
      'a changed name',
      (all) => all.map((entry) => ({ ...entry, by: { ...entry.by, name: 'somebody else' } })),
      'changed',
    ],
    ['an entry taken out', (all) => all.filter((_, i) => i !== 3), 'not-linked'],
    [
      'two entries exchanged',
      (all) => [...all.slice(0, 3), all[4]!, all[3]!, ...all.slice(5)],
      'out-of-place',
    ],
  ])('shows %s', (_what, spoil, fault) => {
    expect(verifyChain(spoil(whole().entries), sha256).map((one) => one.fault)).toContain(fault)
  })

  it('shows what was added after the seal', () => {
    const job = whole()
    job.write('reviewer', 'signed', SIGNATURE(job))
    const forged = {
      ...job.entries.at(-2)!,
      seq: job.entries.length + 1,
      prev: job.entries.at(-1)!.hash,
    } as Entry
    expect(verifyChain([...job.entries, forged], sha256).map(({ fault }) => fault)).toContain('after-seal')
  })
})

it('of two devices that worked apart the later reading counts and the other stays visible', () => {
  const job = SampleJob.opened()
  const reading = (typed: string, value: number) => ({
    point: 'u/torque/a',
    typed,
    value,
    unit: 'N·m',
    relation: '=' as const,
  })
  job
    .write('inspector', 'reading', reading('2.6 N·m', 2.6), '2026-06-02T09:00:00Z')
    .write('inspector', 'reading', reading('1 N·m', 1), '2026-06-02T08:00:00Z')
  const rows = fold(job.entries).evidence.get('u/torque/a')!
  expect(inForce(rows)!.body).toMatchObject({ typed: '2.6 N·m' })
  expect(rows).toHaveLength(2)
})

it('a reading that was struck out counts no more, but is still there', () => {
  const job = SampleJob.opened().torque('2.5 N·m', 2.5).torque('25 N·m', 25)
  job.write('inspector', 'evidence-struck', { entryId: job.entries.at(-1)!.id, reason: 'mistyped' })
  expect(job.check('u/torque/a').outcome.verdict).toBe('conforms')
  expect(job.check('u/torque/a').history).toHaveLength(2)
})

describe('what may be written', () => {
  it.each<[string, () => unknown, string]>([
    [
      'a reading by an installer',
      () =>
        SampleJob.opened().admits('installer', 'reading', {
          point: 'u/torque/a',
          typed: '2',
          value: 2,
          unit: 'N·m',
          relation: '=',
        }),
      'not-your-entry',
    ],
    [
      'a reading at a point that nobody asks for',
      () =>
        SampleJob.opened().admits('inspector', 'reading', {
          point: 'u/torque/z',
          typed: '2',
          value: 2,
          unit: 'N·m',
          relation: '=',
        }),
      'unknown-point',
    ],
    [
      'a value that is not what was typed',
      () =>
        SampleJob.opened().admits('inspector', 'reading', {
          point: 'u/torque/a',
          typed: '2 N·m',
          value: 2.5,
          unit: 'N·m',
          relation: '=',
        }),
      'typed-differs',
    ],
    [
      'a unit by a sheet that is not pinned',
      () => SampleJob.opened().admits('inspector', 'unit-fitted', { id: 'v', label: 'V', sheetId: 'other' }),
      'unknown-sheet',
    ],
    [
      'a second opening',
      () => {
        const job = SampleJob.opened()
        return job.admits('inspector', 'job-opened', job.inspection.state.header!)
      },
      'already-open',
    ],
    [
      'a signature over open checks',
      () => {
        const job = SampleJob.opened()
        return job.admits('reviewer', 'signed', SIGNATURE(job))
      },
      'not-clear',
    ],
    [
      'a signature by the inspector',
      () => {
        const job = SampleJob.opened().answered()
        return job.admits('inspector', 'signed', SIGNATURE(job))
      },
      'not-your-entry',
    ],
    [
      'a signature under another head',
      () => {
        const job = SampleJob.opened().answered()
        return job.admits('reviewer', 'signed', { ...SIGNATURE(job), sealedHead: sha256('') })
      },
      'head-moved',
    ],
    [
      'anything in a sealed job',
      () => {
        const job = SampleJob.opened().answered()
        return job
          .write('reviewer', 'signed', SIGNATURE(job))
          .admits('inspector', 'observation', { point: 'u/tug/b', seen: false })
      },
      'sealed',
    ],
  ])('%s is refused', (_what, answer, code) => {
    expect(answer()).toMatchObject({ ok: false, code })
  })
})
