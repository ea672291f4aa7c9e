/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { onScreen } from '../testing/job-on-screen.testing.js'
import { EntityFields, NOT_READ } from './entity-fields.js'

interface Cable {
  label: string
  size: number | undefined
  grouped: number | undefined
  phases: 1 | 3 | 'dc' | undefined
  surge: boolean | undefined
  capped: boolean | undefined
}

const user = userEvent.setup()
let last: Cable
function Form({ of, onDraft }: { of: Cable; onDraft: (next: Cable) => void }) {
  const [draft, setDraft] = useState(of)
  return (
    <EntityFields
      draft={draft}
      onChange={(next) => {
        onDraft(next)
        setDraft(next)
      }}
      fields={[
        { text: 'label', label: 'Name' },
        { quantity: 'size', label: 'Size', dimension: 'conductor-size' },
        { count: 'grouped', label: 'Circuits together', most: 20 },
        { choice: 'phases', label: 'Phases', options: [NOT_READ, [1, 'one'], [3, 'three'], ['dc', 'DC']] },
        {
          choice: 'surge',
          label: 'Surge protection',
          options: [NOT_READ, [true, 'there'], [false, 'not there']],
        },
        draft.surge === true && { tick: 'capped', label: 'capped' },
      ]}
    />
  )
}
const shown = (of: Cable) =>
  onScreen(
    <Form
      of={of}
      onDraft={(next) => {
        last = next
      }}
    />,
  )
const NOTHING: Cable = {
  label: '',
  size: undefined,
  grouped: undefined,
  phases: undefined,
  surge: undefined,
  capped: undefined,
}
const READ: Cable = { label: 'Feeder', size: 6, grouped: 2, phases: 3, surge: true, capped: true }

it('what nobody read stands empty, and is none', () => {
  shown(NOTHING)
  for (const label of ['Name', 'Size', 'Circuits together', 'Phases', 'Surge protection'])
    expect([label, screen.getByLabelText(label)]).toEqual([label, expect.objectContaining({ value: '' })])
  expect(screen.queryByLabelText('capped')).not.toBeInTheDocument()
})

it('values are what they are, not the words by which they are chosen', async () => {
  shown(NOTHING)
  await user.type(screen.getByLabelText('Name'), 'Feeder')
  await user.type(screen.getByLabelText('Size'), '6')
  await user.type(screen.getByLabelText('Circuits together'), '2')
  await user.selectOptions(screen.getByLabelText('Phases'), 'three')
  await user.selectOptions(screen.getByLabelText('Surge protection'), 'there')
  await user.click(screen.getByLabelText('capped'))
  expect(last).toEqual(READ)
  await user.selectOptions(screen.getByLabelText('Surge protection'), 'not there')
  expect([last.surge, screen.queryByLabelText('capped')]).toEqual([false, null])
})

it('what is cleared or cannot be read is none, and never what stood there before', async () => {
  shown(READ)
  await user.clear(screen.getByLabelText('Size'))
  await user.clear(screen.getByLabelText('Circuits together'))
  await user.selectOptions(screen.getByLabelText('Phases'), 'not read yet')
  expect([last.size, last.grouped, last.phases]).toEqual([undefined, undefined, undefined])
  for (const text of ['six', '< 4', '1.5 kg', '-']) {
    await user.clear(screen.getByLabelText('Size'))
    await user.type(screen.getByLabelText('Size'), text)
    expect([text, last.size]).toEqual([text, undefined])
  }
})
