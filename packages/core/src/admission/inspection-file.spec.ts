import {
  readInspectionFile,
  sheetFingerprint,
  sheetsById,
  verifyInspectionFile,
  type InspectionFile,
} from './inspection-file.js'
import { BOX, SampleJob, sha256 } from './sample-job.testing.js'

function file(): InspectionFile {
  const job = SampleJob.opened().answered()
  return { format: 'plumb-mark-inspection', version: 1, jobId: 'job', sheets: [BOX], entries: job.entries }
}
const written = () => JSON.parse(JSON.stringify(file())) as Record<string, unknown>

it('what was written is read again, and says the same', () => {
  const read = readInspectionFile(written())
  expect(read.entries).toEqual(file().entries)
  expect(sheetsById(read.sheets).get('nobody-box-1')).toEqual(BOX)
})

it.each<[string, (data: Record<string, unknown>) => unknown, string, string]>([
  ['that is no object', () => 'text', 'wrong-type', ''],
  ['of another format', (data) => ({ ...data, format: 'other' }), 'not-listed', 'format'],
  ['of a later version', (data) => ({ ...data, version: 2 }), 'not-listed', 'version'],
  ['without entries', (data) => ({ ...data, entries: [] }), 'empty', 'entries'],
  [
    'with an entry of no kind',
    (data) => ({ ...data, entries: [{ ...(data['entries'] as object[])[0], kind: 'guess' }] }),
    'not-listed',
    'entries[0].kind',
  ],
  [
    'with an entry of no time',
    (data) => ({ ...data, entries: [{ ...(data['entries'] as object[])[0], at: 'today' }] }),
    'not-a-time',
    'entries[0].at',
  ],
  [
    'with an entry by nobody',
    (data) => ({
      ...data,
      entries: [{ ...(data['entries'] as object[])[0], by: { id: 'p', name: 'P', role: 'king' } }],
    }),
    'not-listed',
    'entries[0].by.role',
  ],
  [
    'with an entry that says nothing',
    (data) => ({ ...data, entries: [{ ...(data['entries'] as object[])[0], body: [] }] }),
    'wrong-type',
    'entries[0].body',
  ],
  [
    'with a sheet that has a fault',
    (data) => ({
      ...data,
      sheets: [{ ...BOX, requirements: [{ ...BOX.requirements[0], severity: 'grave' }] }],
    }),
    'not-listed',
    'sheets[0].requirements[0].severity',
  ],
])('a file %s is refused at its place', (_what, spoil, code, path) => {
  expect(() => readInspectionFile(spoil(written()))).toThrow(expect.objectContaining({ code, path }))
})

describe('what a file claims is worked out again', () => {
  const pinned = (): InspectionFile => {
    const whole = file()
    return {
      ...whole,
      entries: whole.entries.map((entry) =>
        entry.kind === 'job-opened'
          ? {
              ...entry,
              body: {
                ...entry.body,
                sheets: entry.body.sheets.map((one) => ({
                  ...one,
                  fingerprint: sheetFingerprint(BOX, sha256),
                })),
              },
            }
          : entry,
      ) as InspectionFile['entries'],
    }
  }
  const faults = (spoilt: InspectionFile) => verifyInspectionFile(spoilt, sha256).map(({ fault }) => fault)
  it('a sheet that is missing, or says something else, shows', () => {
    expect(faults({ ...pinned(), sheets: [] })).toContain('sheet-absent')
    expect(faults({ ...pinned(), sheets: [{ ...BOX, title: 'Other' }] })).toContain('sheet-changed')
    expect(faults(pinned())).not.toContain('sheet-changed')
  })
  it('an entry of another job shows', () =>
    expect(faults({ ...pinned(), jobId: 'another' })).toContain('other-job'))
})
