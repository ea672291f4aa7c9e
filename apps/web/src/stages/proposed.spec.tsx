/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { appended, onScreen, openJob, sampleSheet, type Change } from '../testing/job-on-screen.testing.js'
import { ConductorPanel } from './ac/conductor-panel.js'
import { ProposedBar } from './proposed.js'

const user = userEvent.setup()
const part = (id: string, more: object = {}): Change => ({
  kind: 'part-placed',
  body: { id, label: id, kind: 'device', rating: 16, ...more } as never,
})
const cable = (from: string, to: string, more: object = {}): Change => ({
  kind: 'conductor-run',
  body: { id: `${from}-${to}`, from, to, ...more } as never,
})
const last = () => appended().at(-1)

describe('what is proposed on a stage', () => {
  const open = (...more: Change[]) =>
    openJob([part('a'), part('b'), ...more], { sheets: [sampleSheet('aldervane-ah-8t-c')] })
  it('is confirmed all at once, after a look', async () => {
    open(part('c', { proposed: 'template' }), cable('a', 'b', { proposed: 'copy' }))
    onScreen(<ProposedBar areas={['network']} />)
    await user.click(screen.getByRole('button', { name: 'All 2 stand so: confirm' }))
    expect(last()).toMatchObject({
      kind: 'confirmed',
      body: {
        things: [
          { kind: 'part', id: 'c' },
          { kind: 'conductor', id: 'a-b' },
        ],
      },
    })
    expect(screen.queryByRole('note')).toBeNull()
  })
  it('or one by one, by its name', async () => {
    open(part('c', { proposed: 'template' }), cable('a', 'b', { proposed: 'copy' }))
    onScreen(<ProposedBar areas={['network']} />)
    await user.click(screen.getByText('One by one'))
    await user.click(screen.getByRole('button', { name: 'Confirm cable a to b' }))
    expect(last()).toMatchObject({ body: { things: [{ kind: 'conductor', id: 'a-b' }] } })
    expect(screen.getByText(/^Part of the one-line c: proposed/)).toBeInTheDocument()
  })
  it('is only told where nobody may write, and of another stage not at all', () => {
    openJob([part('c', { proposed: 'template' })], { role: 'reviewer' })
    const { unmount } = onScreen(<ProposedBar areas={['network']} />)
    expect(screen.getByRole('note')).toBeInTheDocument()
    expect(screen.queryByRole('button')).toBeNull()
    unmount()
    onScreen(<ProposedBar areas={['earthing']} />)
    expect(screen.queryByRole('note')).toBeNull()
  })
})

describe('a new cable', () => {
  const begin = () => {
    openJob([part('a'), part('b')])
    onScreen(<ConductorPanel conductor={undefined} load={undefined} writable onDone={() => undefined} />)
    return within(screen.getByRole('region', { name: 'A new cable' }))
  }
  it('begins with nothing that nobody read, and keeps only what was', async () => {
    const form = begin()
    for (const label of ['Size', 'Length', 'Voltage', 'Warmest place', 'Circuits together'])
      expect(form.getByLabelText<HTMLInputElement>(label).value).toBe('')
    await user.selectOptions(form.getByLabelText('From'), 'a')
    await user.selectOptions(form.getByLabelText('To'), 'b')
    await user.type(form.getByLabelText('Size'), '6')
    await user.click(form.getByRole('button', { name: 'Save the cable' }))
    expect(Object.keys(last()!.body).sort()).toEqual(['from', 'id', 'size', 'to'])
    expect(last()!.body).toMatchObject({ from: 'a', to: 'b', size: 6 })
  })
  it('is not saved while a figure cannot be read', async () => {
    const form = begin()
    await user.selectOptions(form.getByLabelText('From'), 'a')
    await user.selectOptions(form.getByLabelText('To'), 'b')
    await user.type(form.getByLabelText('Length'), 'twelve')
    expect(form.getByRole('button', { name: 'Save the cable' })).toBeDisabled()
    await user.clear(form.getByLabelText('Length'))
    expect(form.getByRole('button', { name: 'Save the cable' })).toBeEnabled()
  })
})

it('a proposed cable that is saved from its form was looked at, and is a proposal no longer', async () => {
  openJob([part('a'), part('b'), cable('a', 'b', { size: 6, proposed: 'copy' })])
  onScreen(
    <ConductorPanel
      conductor={{ id: 'a-b', from: 'a', to: 'b', size: 6, proposed: 'copy' } as never}
      load={undefined}
      writable
      onDone={() => undefined}
    />,
  )
  expect(screen.getByRole('note')).toHaveTextContent('Cable a to b: proposed')
  await user.click(screen.getByRole('button', { name: 'Save the cable' }))
  expect(last()).toMatchObject({ kind: 'conductor-run', body: { id: 'a-b', size: 6 } })
  expect(last()!.body).not.toHaveProperty('proposed')
})
