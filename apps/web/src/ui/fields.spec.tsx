/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { jest } from '@jest/globals'
import { screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { prefer } from '../data/preferences.js'
import { onScreen } from '../testing/job-on-screen.testing.js'
import { ChoiceField } from './choice-field.js'
import { QuantityInput } from './quantity-input.js'
import { FormProblems } from './form-problems.js'
import { CountField } from './text-field.js'

const user = userEvent.setup()

function Length({ onChange, unit }: { onChange: (value: number | undefined) => void; unit?: string }) {
  const [value, setValue] = useState<number | undefined>(100)
  return (
    <QuantityInput
      label="Length"
      dimension="length"
      value={value}
      unit={unit}
      onChange={(next) => (setValue(next), onChange(next))}
    />
  )
}

describe('a figure in any unit', () => {
  beforeEach(() => prefer({ decimal: 'point' }))
  it.each([
    ['120', 120],
    ['12 cm', 120],
    ['4 1/4 in', 107.95],
  ])('typed as %s goes on as %s mm', async (typed, value) => {
    const onChange = jest.fn()
    onScreen(<Length onChange={onChange} />)
    await user.clear(screen.getByLabelText('Length'))
    await user.type(screen.getByLabelText('Length'), typed)
    expect(onChange.mock.calls.at(-1)![0]).toBeCloseTo(value, 9)
    expect(screen.getByLabelText('Length')).toHaveProperty('value', typed)
  })
  it('that does not read says why, and goes on as nothing', async () => {
    const onChange = jest.fn()
    onScreen(<Length onChange={onChange} />)
    await user.type(screen.getByLabelText('Length'), ' kg')
    expect(screen.getByRole('alert').textContent).not.toBe('')
    expect(onChange).toHaveBeenLastCalledWith(undefined)
    expect(screen.getByLabelText('Length').getAttribute('aria-invalid')).toBe('true')
  })
  it('may not be an inequality where a measure is needed', async () => {
    onScreen(<Length onChange={() => undefined} />)
    await user.clear(screen.getByLabelText('Length'))
    await user.type(screen.getByLabelText('Length'), '> 120 mm')
    expect(screen.getByRole('alert').textContent).toContain('without < or >')
  })
  it('by the comma where the person writes so', async () => {
    prefer({ decimal: 'comma' })
    const onChange = jest.fn()
    onScreen(<Length onChange={onChange} />)
    await user.clear(screen.getByLabelText('Length'))
    await user.type(screen.getByLabelText('Length'), '1,5 m')
    expect(onChange).toHaveBeenLastCalledWith(1500)
  })
})

const wrong = 'a whole number from 1 to 20 is needed'
it.each([
  ['7', [7], undefined],
  ['0', [], wrong],
  ['99', [9], wrong],
  ['3', [3], undefined],
])(
  'a count cleared and typed as %s goes on as %j, and says what is wrong with it',
  async (typed, counts, problem) => {
    const gone: number[] = []
    function Count() {
      const [count, setCount] = useState(1)
      return (
        <CountField
          label="How many"
          value={count}
          most={20}
          onChange={(next) => (setCount(next), gone.push(next))}
        />
      )
    }
    onScreen(<Count />)
    const field = screen.getByLabelText('How many')
    await user.clear(field)
    expect(field).toHaveProperty('value', '')
    await user.type(field, typed)
    await user.tab()
    expect([gone, (field as HTMLInputElement).value]).toEqual([counts, typed])
    expect(screen.queryByRole('alert')?.textContent).toBe(problem)
  },
)

it('a form does not save while one of its fields cannot be read', async () => {
  const saved = jest.fn()
  onScreen(
    <FormProblems>
      {(unreadable) => (
        <>
          <QuantityInput label="Length" dimension="length" value={undefined} onChange={() => undefined} />
          <CountField
            label="How many"
            value={undefined}
            most={20}
            onChange={() => undefined}
            onClear={() => undefined}
          />
          <button disabled={unreadable} onClick={saved}>
            Save
          </button>
        </>
      )}
    </FormProblems>,
  )
  const save = screen.getByRole('button', { name: 'Save' })
  await user.type(screen.getByLabelText('Length'), '5 x')
  expect(save).toHaveProperty('disabled', true)
  await user.clear(screen.getByLabelText('Length'))
  await user.type(screen.getByLabelText('How many'), '0')
  expect(save).toHaveProperty('disabled', true)
  // Empty is not unreadable: nobody counted.
  await user.clear(screen.getByLabelText('How many'))
  expect(save).toHaveProperty('disabled', false)
})

it('of a list only what stands in it can be chosen', async () => {
  const onChange = jest.fn()
  onScreen(
    <ChoiceField
      label="Lying"
      value="portrait"
      options={[
        ['portrait', 'upright'],
        ['landscape', 'across'],
      ]}
      onChange={onChange}
    />,
  )
  await user.selectOptions(screen.getByLabelText('Lying'), 'across')
  expect(onChange).toHaveBeenCalledWith('landscape')
})
