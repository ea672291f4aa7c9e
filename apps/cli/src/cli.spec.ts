import { keyFingerprint } from '@plumb-mark/archive'
import { stranger } from '../../server/src/testing/zips.testing.js'
import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { CALCULATOR_NAMES } from '@plumb-mark/core'
import {
  BOX,
  SHEETS,
  SIGNATURE,
  SampleJob,
  sha256,
} from '../../../packages/core/src/admission/sample-job.testing.js'
import { sheetFingerprint } from '../../../packages/core/src/index.js'

const BIN = join(process.cwd(), 'apps', 'cli', 'bin', 'plumb-mark.mjs')
const folder = mkdtempSync(join(tmpdir(), 'plumb-mark-cli-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

function run(args: string[], input = ''): { code: number | null; out: string; err: string } {
  const { status, stdout, stderr } = spawnSync(process.execPath, [BIN, ...args], { input, encoding: 'utf8' })
  return { code: status, out: stdout, err: stderr }
}

function file(name: string, job: SampleJob): string {
  const path = join(folder, name)
  const pinned = structuredClone(job.entries)
  writeFileSync(
    path,
    JSON.stringify({
      format: 'plumb-mark-inspection',
      version: 1,
      jobId: 'job',
      sheets: [...SHEETS.values()],
      entries: pinned,
    }),
  )
  return path
}

describe('practice', () => {
  it.each([
    ['perfect', 0, 100],
    ['blind', 1, 50],
  ])('the %s inspector ends with %i and %i points', (inspector, code, points) => {
    const ran = run(['practice', '--seed', '5', '--level', 'dc', '--inspector', inspector, '--json'])
    expect(ran.code).toBe(code)
    expect(JSON.parse(ran.out)).toMatchObject({ seed: 5, level: 'dc', inspector, points, passed: code === 0 })
  })
  it.each([[['--level', 'nowhere']], [['--seed', 'two']], [['--inspector', 'nobody']]])(
    'refuses %j',
    (args) => expect(run(['practice', ...args]).code).toBe(2),
  )
})

describe('compute', () => {
  it('answers one input as JSON', () => {
    const { code, out } = run(['compute', 'decision'], '{"value":5,"min":1}')
    expect([code, JSON.parse(out)]).toMatchObject([
      0,
      { verdict: 'conforms', margin: 4, working: [expect.any(String), expect.any(String)], notes: [] },
    ])
  })
  it.each([
    ['decision', '{"value":5}', 'no-content'],
    ['decision', '{"value":', 'not-json'],
    ['decision', '', 'not-json'],
    ['guess', '{}', 'unknown-calculator'],
    ['decision', '[]', 'wrong-type'],
  ])('%s with %s is refused with code 2 and no stack', (name, input, code) => {
    const done = run(['compute', name], input)
    expect([done.code, JSON.parse(done.out), done.err]).toMatchObject([
      2,
      { error: { code, message: expect.any(String) } },
      '',
    ])
  })
  it('answers a batch line by line, a bad line in its place', () => {
    const lines = [
      { calculator: 'decision', input: { value: 5, min: 1 } },
      { calculator: 'guess', input: {} },
      'nonsense',
      { input: {} },
      { calculator: 'reserve', input: { capacityKwh: 10, reservePercent: 10, loadKw: 1, inverterKw: 2 } },
    ]
    const { code, out } = run(
      ['compute', '--batch'],
      lines.map((line) => (typeof line === 'string' ? line : JSON.stringify(line))).join('\n'),
    )
    const answers = out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { error?: { code: string } })
    expect([code, answers.map(({ error }) => error?.code)]).toEqual([
      0,
      [undefined, 'unknown-calculator', 'not-json', 'missing', undefined],
    ])
  })
  it('lists every calculator with its input', () => {
    expect(Object.keys(JSON.parse(run(['compute', '--list', '--json']).out) as object)).toEqual(
      CALCULATOR_NAMES,
    )
    expect(run(['compute', '--list']).out).toContain('string-voltage')
  })
})

describe('check', () => {
  it('prints the worst first and ends with 1 while something is open', () => {
    const { code, out } = run(['check', file('open.json', SampleJob.opened().torque('1 N·m', 1))])
    expect(code).toBe(1)
    expect(out.split('\n')[2]).toMatch(
      /^does not conform\s+Box 1, Torque · A: 1 N·m, must be 2 N·m to 3 N·m \(2 N·m to 3 N·m; Box rev 1, clause 1\)/,
    )
    expect(out).toContain('no defects')
  })
  it('ends with 0 when all conforms, and says the same as data', () => {
    const path = file('done.json', SampleJob.opened().answered())
    expect(run(['check', path]).code).toBe(0)
    expect(JSON.parse(run(['check', path, '--json']).out)).toMatchObject({
      verdict: 'conforms',
      checks: expect.arrayContaining([
        expect.objectContaining({ id: 'u/torque/a', verdict: 'conforms', working: expect.any(Array) }),
      ]),
    })
  })
  it('refuses a file that is none, at its place', () => {
    const path = join(folder, 'bad.json')
    writeFileSync(
      path,
      JSON.stringify({ format: 'plumb-mark-inspection', version: 1, jobId: 'j', sheets: [{}], entries: [] }),
    )
    const { code, out } = run(['check', path])
    expect([code, JSON.parse(out)]).toMatchObject([
      2,
      { error: { code: 'empty', path: 'entries', message: expect.stringContaining(`(in ${path})`) } },
    ])
    expect(run(['check', join(folder, 'nowhere.json')])).toMatchObject({
      code: 3,
      err: expect.stringContaining('no such file'),
    })
    expect(run(['check'])).toMatchObject({ code: 3, err: expect.stringContaining('name one file') })
  })
})

describe('verify', () => {
  const pinned = () => {
    const job = SampleJob.opened()
    const opened = job.entries[0]!
    if (opened.kind === 'job-opened') opened.body.sheets[0]!.fingerprint = sheetFingerprint(BOX, sha256)
    return job
  }
  it('tells a record whose first entry was changed after it was linked', () => {
    const { code, out } = run(['verify', file('changed.json', pinned())])
    expect([code, out]).toEqual([
      1,
      expect.stringContaining('entry 1 (e1): its content does not fit its hash'),
    ])
  })
  it('wants the key that it is told, and tells a record that no key signed', () => {
    const { code, out } = run(['verify', file('unsigned.json', pinned()), '--key', 'abcd 0123'])
    expect([code, out]).toEqual([1, expect.stringContaining('no signature by that key')])
  })
  it('tells a sheet that is not the pinned one, and names who sealed', () => {
    const job = SampleJob.opened().answered()
    job.write('reviewer', 'signed', SIGNATURE(job))
    const { code, out } = run(['verify', file('sealed.json', job), '--json'])
    expect([code, JSON.parse(out)]).toMatchObject([
      1,
      { intact: false, sealed: true, faults: [{ fault: 'sheet-changed', sheetId: 'nobody-box-1' }] },
    ])
  })
})

describe('whose word a record carries', () => {
  const key = stranger()
  const signed = (change: (record: Record<string, unknown>) => void = () => undefined) => {
    const record = JSON.parse(
      JSON.stringify(
        key.attest(JSON.parse(readFileSync(file('k.json', SampleJob.opened()), 'utf8')) as never),
      ),
    ) as Record<string, unknown>
    change(record)
    const path = join(folder, 'signed.json')
    writeFileSync(path, JSON.stringify(record))
    return path
  }
  const own = keyFingerprint(key.publicKey)
  it('is told, and that nobody named its key', () => {
    expect(run(['verify', signed()]).out).toContain(`signed by ${own}, a key you have not named`)
    expect(run(['verify', signed(), '--key', own]).out).toContain(`signed by ${own}, the key you named`)
    expect(run(['verify', signed(), '--key', 'abcd']).out).toContain('and not by the key you named')
    expect(JSON.parse(run(['verify', signed(), '--json']).out)).toMatchObject({
      signedBy: own,
      expectedKey: null,
    })
  })
  interface Loose {
    [field: string]: unknown
    sheets: [Record<string, unknown>]
    entries: [Record<string, unknown>]
  }
  it.each<[string, (record: Loose) => unknown, string]>([
    ['at the top', (record) => (record['approved'] = 'by the authority'), 'approved'],
    ['in a sheet', ({ sheets: [sheet] }) => (sheet['wen'] = 'x'), 'sheets[0].wen'],
    ['beside an entry', ({ entries: [entry] }) => (entry['seen'] = true), 'entries[0].seen'],
  ])('a field that the format does not know %s is told', (_where, change, path) => {
    const { code, out } = run(['verify', signed((record) => change(record as never))])
    expect([code, out]).toEqual([1, expect.stringContaining(`${path}: the format has no such field`)])
  })
  it('a field in the body of an entry is told as of a newer program', () => {
    const path = signed((record) => {
      const [entry] = record['entries'] as { body: Record<string, unknown> }[]
      entry!.body['later'] = 1
    })
    expect(run(['verify', path]).out).toContain('of a newer one: entries[0].body.later')
  })
})

it('the manual tells commands, units and exit codes; an unknown command is refused', () => {
  const manual = execFileSync(process.execPath, [BIN, '--help'], { encoding: 'utf8' })
  for (const word of ['compute', 'check', 'verify', 'EXIT CODES', 'UNITS', '--batch'])
    expect(manual).toContain(word)
  expect(run(['guess'])).toMatchObject({
    code: 2,
    err: expect.stringContaining('there is no command "guess"'),
  })
})
