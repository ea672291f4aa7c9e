import { BOX } from '../admission/sample-job.testing.js'
import { sheetFaults, unknownSheetFields } from './faults.js'

const base = () =>
  structuredClone(BOX) as unknown as Record<string, unknown> & { requirements: Record<string, unknown>[] }
const paths = (data: unknown) => sheetFaults(data).map(({ path }) => path)

it('a good sheet has none, and no field without a place', () => {
  expect(sheetFaults(base())).toEqual([])
  expect(unknownSheetFields(base())).toEqual([])
})

it('every faulty requirement is named at once, each at its place', () => {
  const sheet = base()
  sheet.requirements[0]!['severity'] = 'grave'
  delete sheet.requirements[2]!['title']
  expect(paths(sheet)).toEqual(['requirements[0].severity', 'requirements[2].title'])
})

it('a faulty head hides no requirement', () => {
  const sheet = base()
  sheet['date'] = 'spring'
  sheet.requirements[1]!['severity'] = 'grave'
  expect(paths(sheet)).toEqual(['date', 'requirements[1].severity'])
})

it('what shows only across requirements is named too', () => {
  const sheet = base()
  sheet.requirements[1]!['id'] = sheet.requirements[0]!['id']
  expect(paths(sheet)).toEqual(['requirements[1].id'])
})

it.each([null, 7, [], {}, { requirements: 3 }, { requirements: [null] }])(
  'data that are no sheet have a fault: %j',
  (data) => expect(sheetFaults(data).length).toBeGreaterThan(0),
)

it('a misspelt field is found in the head, in a requirement and inside one', () => {
  const sheet = base()
  sheet['titel'] = 'T'
  sheet.requirements[1]!['wen'] = { outdoors: true }
  sheet.requirements[0]!['when'] = { outdors: true }
  expect(unknownSheetFields(sheet).sort()).toEqual([
    'requirements[0].when.outdors',
    'requirements[1].wen',
    'titel',
  ])
})
