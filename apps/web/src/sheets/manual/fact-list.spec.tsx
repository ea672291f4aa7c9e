/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { render, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { ChakraProvider } from '@chakra-ui/react'
import { readFileSync } from 'node:fs'
import { useMemo, useState } from 'react'
import { parse } from 'yaml'
import { readSheet } from '@plumb-mark/core'
import type { SheetInLibrary } from '@plumb-mark/contract'
import { acceptedFacts, figureWords, inShownOrder, type Fact, type FactKind } from '@plumb-mark/manual'
import { system } from '../../ui/theme/system.js'
import { FactList } from './fact-list.js'
import { useReadManual } from './use-bench.js'

const fact = (kind: FactKind, subject: string, figures: Partial<Fact>): Fact => ({
  kind,
  subject,
  unit: 'mm',
  page: 4,
  clause: '4.3',
  text: `The manual says so of ${subject}.`,
  box: { x0: 0, top: 0, x1: 10, bottom: 10 },
  ...figures,
})
const FACTS = inShownOrder([
  fact('torque', 'cover screws', { min: 1.2, max: 1.5, unit: 'N·m' }),
  fact('clearance', 'left', { min: 200 }),
  fact('clearance', 'right', { min: 200 }),
  fact('clearance', 'below', { min: 300, contradicts: true }),
])

/** The list as the screen shows it, with what is accepted told beside it. */
function Shown({ facts = FACTS, before }: { facts?: readonly Fact[]; before?: SheetInLibrary }) {
  const read = useMemo(() => ({ facts: [...facts], observations: [] }), [facts])
  const open = useReadManual(read, before)
  const [left, setLeft] = useState<FactKind[]>([])
  return (
    <ChakraProvider value={system}>
      <FactList
        open={open}
        library={[]}
        ofOthers={2}
        notDemanded={left}
        onNotDemanded={(kind) => setLeft([...left, kind])}
        onLeave={() => undefined}
      />
      <output aria-label="accepted">
        {acceptedFacts(open.bench)
          .map((one) => `${one.subject} ${figureWords(one)}`)
          .join('; ')}
      </output>
    </ChakraProvider>
  )
}
const accepted = () => screen.getByLabelText('accepted').textContent
const row = (name: RegExp) => screen.getByRole('group', { name })

describe('what was found in a manual', () => {
  it('stands in the order of the walk, what is said twice first, and nothing of it is accepted', () => {
    render(<Shown />)
    expect(screen.getAllByRole('heading').map(({ textContent }) => textContent)).toEqual([
      'Said twice, and not the same',
      'Free space',
      'Tightening torques',
    ])
    expect(accepted()).toBe('')
  })

  it('is accepted one by one or a kind at once, and taken back by the same touch', async () => {
    const user = userEvent.setup()
    render(<Shown />)
    await user.click(screen.getByRole('button', { name: /^Accept all 2/ }))
    expect(accepted()).toBe('left at least 200 mm; right at least 200 mm')
    await user.click(row(/^left/))
    await user.click(within(row(/^left/)).getByRole('button', { name: 'Accept' }))
    expect(accepted()).toBe('right at least 200 mm')
  })

  it('is changed with what was printed beside it; a figure that cannot be is not saved', async () => {
    const user = userEvent.setup()
    render(<Shown />)
    await user.click(row(/^cover screws/))
    await user.click(within(row(/^cover screws/)).getByRole('button', { name: 'Change' }))
    const least = screen.getByLabelText('least, N·m')
    await user.clear(least)
    await user.type(least, 'loose')
    expect(screen.getByRole('button', { name: 'Save' })).toBeDisabled()
    await user.clear(least)
    await user.type(least, '1.9')
    expect(screen.getByText('the least is above the most')).toBeVisible()
    expect(screen.getByRole('button', { name: 'Save' })).toBeDisabled()
    await user.clear(least)
    await user.type(least, '140 N·cm')
    await user.click(screen.getByRole('button', { name: 'Save' }))
    expect(accepted()).toBe('cover screws 1.4 to 1.5 N·m')
    expect(row(/^cover screws/)).toHaveTextContent('printed: 1.2 to 1.5 N·m')
  })

  it('what is usual and missing is named, and can be said to be not demanded', async () => {
    const user = userEvent.setup()
    render(<Shown />)
    const [first] = screen.getAllByRole('button', { name: /^Not demanded/ })
    await user.click(first!)
    expect(first).toHaveAttribute('aria-pressed', 'true')
    expect(screen.getByText('2 figures are said of other models and stand aside.')).toBeVisible()
  })

  it('a file without a demand says so, and offers another', () => {
    render(<Shown facts={[]} />)
    expect(screen.getByText('Nothing in this file reads like a demand on an installation.')).toBeVisible()
    expect(screen.getByRole('button', { name: 'Choose another file' })).toBeVisible()
  })

  it('beside the sheet of before, what says the same is carried over and what differs waits', async () => {
    const source = readFileSync('samples/sheets/aldervane-ah-8t-c.yaml', 'utf8')
    const before: SheetInLibrary = { sheet: readSheet(parse(source)), source, fingerprint: '', usedBy: [] }
    const user = userEvent.setup()
    const clear = [fact('clearance', 'left', { min: 200 }), fact('clearance', 'above', { min: 480 })]
    render(<Shown facts={[...clear, fact('humidity', 'humidity', { max: 95, unit: '%' })]} before={before} />)
    expect(accepted()).toBe('left at least 200 mm')
    expect(row(/^left/)).toHaveTextContent('as in the edition of before')
    expect(row(/^above/)).toHaveTextContent('Before: at least 400 mm')
    expect(screen.getAllByRole('heading').map(({ textContent }) => textContent)).toEqual([
      'Changed since the edition of before',
      'New in this edition',
      'Free space',
    ])
    const gone = screen.getByRole('button', { name: 'No longer demanded: below' })
    await user.click(gone)
    expect(gone).toHaveAttribute('aria-pressed', 'true')
  })
})
