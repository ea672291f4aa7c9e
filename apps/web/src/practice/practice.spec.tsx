/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { asked, onScreen, openJob, serverSays } from '../testing/job-on-screen.testing.js'
import { PracticeView } from './practice-view.js'
import { usePractice } from './session.js'

const user = userEvent.setup({ delay: null })

beforeEach(() => {
  openJob([])
  serverSays({})
  localStorage.clear()
  usePractice.setState({ scenario: undefined, score: undefined, past: [], problem: undefined })
  onScreen(<PracticeView />)
})

async function begin(subject: string, number: string) {
  await user.selectOptions(screen.getByLabelText('Subject'), subject)
  await user.clear(screen.getByLabelText('Number of the installation'))
  await user.type(screen.getByLabelText('Number of the installation'), number)
  await user.click(screen.getByRole('button', { name: 'Begin' }))
  await screen.findByRole('button', { name: 'Finish' })
}

/** The first place of that name, opened. */
async function open(title: RegExp): Promise<HTMLElement> {
  const row = screen.getAllByRole('button', { name: title })[0]!
  await user.click(row)
  return row.closest('li')!
}
const press = async (name: string | RegExp, within_: HTMLElement = document.body) =>
  user.click(within(within_).getByRole('button', { name }))
const scenario = (part: object) =>
  new File(
    [JSON.stringify({ format: 'plumb-mark-practice', version: 1, title: 'Loft', ...part })],
    'loft.json',
  )
const bring = async (file: File) => {
  await press('Write or import a scenario of your own')
  await user.upload(screen.getByLabelText('Scenario file'), file)
}

it('a number that is none is said at its field, and nothing begins with it', async () => {
  const field = screen.getByLabelText('Number of the installation')
  for (const typed of ['x', '-4', '1.5', '1234567890']) {
    await user.clear(field)
    await user.type(field, typed)
    expect(field).toBeInvalid()
    expect(screen.getByRole('button', { name: 'Begin' })).toBeDisabled()
  }
})

it('whoever looks at nothing is shown each fault once more, and what they miss is counted by clause', async () => {
  await begin('DC side', '4')
  await press('Finish')
  const hidden = usePractice.getState().score!.missed.length
  expect(hidden).toBeGreaterThan(0)
  const missed = screen.getByRole('region', { name: 'Missed' })
  expect(within(missed).getAllByRole('listitem')).toHaveLength(hidden)
  expect(screen.getByText(/^Not passed: 0 of/)).toBeVisible()
  await press('The same again')
  await screen.findByRole('button', { name: 'Finish' })
  await press('Finish')
  await press('Another subject')
  const clauses = screen.getByRole('region', { name: 'What you miss' })
  expect(within(clauses).getAllByText(/^missed 2 of 2; lately ✗ ✗/)).not.toHaveLength(0)
  expect(
    within(screen.getByRole('region', { name: 'Practised so far' })).getAllByRole('listitem'),
  ).toHaveLength(2)
  expect(asked).toEqual([])
})

it('what was practised is kept on this device', async () => {
  await begin('DC side', '4')
  await press('Finish')
  const kept = JSON.parse(localStorage.getItem('plumb-mark-practice')!) as { seed: number; passed: boolean }[]
  expect(kept).toMatchObject([{ seed: 4, passed: false }])
})

it('what was written down is taken back, and counts as not looked at again', async () => {
  await begin('DC side', '4')
  const left = () =>
    Number(screen.getByText(/not looked at yet/).textContent!.match(/(\d+) not\s+looked/)![1])
  const all = left()
  let row = await open(/^Polarity/)
  await press('Skip this check', row)
  expect(left()).toBe(all - 1)
  row = await open(/^Polarity/)
  await press('Take back', row)
  expect(left()).toBe(all)
})

it('a conductor that was touched before it was isolated is told of', async () => {
  await bring(scenario({ level: 'roof', seed: 3, faults: ['bond-made:b-inv-1'] }))
  await waitFor(() => expect(screen.getByLabelText('Title')).toHaveValue('Loft'))
  await press('Begin it')
  await screen.findByRole('button', { name: 'Finish' })
  const row = await open(/Continuity of the bond/)
  await user.selectOptions(
    within(row).getByLabelText('Out of the bag'),
    within(row).getAllByRole('option')[1]!,
  )
  await press('Measure', row)
  await press('Finish')
  expect(screen.getByRole('region', { name: 'Touched before it was safe' })).toHaveTextContent(
    /Continuity of the bond.*: first put on what the sheets list/,
  )
})

it.each([
  ['no scenario', {}, /level/],
  ['a level that nobody practises', { level: 'moon', seed: 1, faults: [] }, /level/],
])('a file with %s is refused in words', async (_, part, says) => {
  await bring(scenario(part))
  expect(await screen.findByRole('alert')).toHaveTextContent(says)
  expect(screen.getByLabelText('Title')).toHaveValue('')
})

it('a file with a place that is not there begins nothing, and says which', async () => {
  await bring(scenario({ level: 'dc', seed: 1, faults: ['nowhere'] }))
  await waitFor(() => expect(screen.getByLabelText('Title')).toHaveValue('Loft'))
  await press('Begin it')
  expect(await screen.findByText(/^This one cannot be begun: .*nowhere/)).toBeVisible()
  expect(screen.queryByRole('button', { name: 'Finish' })).toBeNull()
})

it('a trainer hides faults in the places of a subject, and the file takes them along', async () => {
  const files: Blob[] = []
  URL.createObjectURL = (file) => (files.push(file as Blob), 'blob:here')
  URL.revokeObjectURL = () => undefined
  await press('Write or import a scenario of your own')
  await press('Export')
  expect(screen.getByRole('alert')).toHaveTextContent('title')
  await user.type(screen.getByLabelText('Title'), 'Joints')
  await user.selectOptions(screen.getAllByLabelText('Subject').at(-1)!, 'Roof and earthing')
  const places = await screen.findAllByLabelText(/Continuity of the bond/)
  await user.click(places[0]!)
  await press('Export')
  const kept = JSON.parse(await files[0]!.text()) as { title: string; faults: string[] }
  expect(kept).toMatchObject({
    title: 'Joints',
    level: 'roof',
    faults: [expect.stringMatching(/continuity/)],
  })
})

it('the tape goes from edge to edge, and what it shows is typed', async () => {
  await begin('Walls', '2')
  const row = await open(/^Where it hangs or stands: Inverter 1/)
  await press('Take the tape', row)
  const taped = (from: string, to: string) => {
    // An edge is reached by key as well.
    for (const name of [from, to])
      fireEvent.keyDown(within(row).getByRole('button', { name }), { key: 'Enter' })
    return within(row)
      .getByRole('status')
      .textContent!.match(/^\d+ mm/)![0]
  }
  await user.type(
    within(row).getByLabelText('Left edge, from the left'),
    taped('left corner', 'left edge of Inverter 1'),
  )
  expect(within(row).getByRole('button', { name: 'Write it down' })).toBeDisabled()
  await user.type(
    within(row).getByLabelText('Lower edge, from the floor'),
    taped('floor', 'lower edge of Inverter 1'),
  )
  await press('Write it down', row)
  expect(row).toHaveTextContent('taken')
})

it('probes on the wrong ends read below nothing, and without both nothing is read', async () => {
  await begin('DC side', '4')
  const row = await open(/^Open-circuit voltage/)
  const bag = within(row).getByLabelText('Out of the bag')
  await user.selectOptions(bag, within(row).getByRole('option', { name: /^Multimeter \(in date until 2030/ }))
  expect(within(row).getByRole('button', { name: 'Measure' })).toBeDisabled()
  await press('Red probe on String 1 −', row)
  expect(within(row).getByRole('button', { name: 'Measure' })).toBeDisabled()
  await press('Black probe on String 1 +', row)
  await press('Measure', row)
  expect(row).toHaveTextContent(/-\d+(\.\d+)? V/)
})

it('an instrument that does not measure such a thing stays blank', async () => {
  await begin('DC side', '4')
  const row = await open(/^Insulation against earth/)
  const bag = within(row).getByLabelText('Out of the bag')
  await user.selectOptions(bag, within(row).getAllByRole('option', { name: /^Torque driver/ })[0]!)
  const measure = within(row).getByRole('button', { name: 'Measure' })
  if (!measure.hasAttribute('disabled')) await user.click(measure)
  expect(row).toHaveTextContent('The display stays blank')
})
