import { fold, inspect, sheetsById, verifyInspectionFile, type InspectionFile } from '@plumb-mark/core'
import { sha256 } from '../database/digest.js'
import { RunningServer } from '../testing/running-server.testing.js'

let server: RunningServer
let file: InspectionFile

beforeAll(async () => {
  server = await RunningServer.start()
  const inspector = await server.signIn('inspector')
  const { id } = await inspector.firstJob()
  file = (await inspector.json<InspectionFile>('GET', `/api/jobs/${id}/inspection.json`)).body
})
afterAll(() => server.stop())

/** The faults planted in the hatchery's pump house, as its sample file names them. */
const PLANTED = {
  'does-not-conform': ['inv-1/clear/right', 'inv-2/clear/left', 'inv-1/dc-torque/pv2-minus', 'inv-2/open-circuit/string-c'],
  'not-proven': ['inv-1/dc-torque/pv2-plus'],
}

it.each(Object.entries(PLANTED))('of the hatchery, just what was planted %s', (verdict, planted) => {
  const { checks } = inspect(fold(file.entries), sheetsById(file.sheets))
  expect(checks.filter(({ outcome }) => outcome.verdict === verdict).map(({ check }) => check.id).sort()).toEqual([...planted].sort())
})

it('the short string is told to be missing a module before anything else', () => {
  const { checks } = inspect(fold(file.entries), sheetsById(file.sheets))
  const { outcome } = checks.find(({ check }) => check.id === 'inv-2/open-circuit/string-c')!
  expect('causes' in outcome && outcome.causes[0]).toContain('one module is missing')
})

it('the exported record verifies, and one changed figure shows', () => {
  expect(verifyInspectionFile(file, sha256)).toEqual([])
  const spoilt = structuredClone(file)
  const reading = spoilt.entries.find(({ kind }) => kind === 'reading')!
  ;(reading.body as { value: number }).value += 1
  expect(verifyInspectionFile(spoilt, sha256)).toMatchObject([{ fault: 'changed', seq: reading.seq }])
})

it('a sheet exchanged under the record shows', () => {
  const spoilt = structuredClone(file)
  spoilt.sheets[0]!.title = 'another'
  expect(verifyInspectionFile(spoilt, sha256).map(({ fault }) => fault)).toEqual(['sheet-changed'])
})
