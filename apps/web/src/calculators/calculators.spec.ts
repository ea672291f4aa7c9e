import { CALCULATORS, CALCULATOR_NAMES, compute, readDraft } from '@plumb-mark/core'
import { CATALOGUE, GROUPS } from '../data/calculators/catalogue.js'
import { fromLink, toLink } from '../data/calculators/link.js'

it.each(CALCULATOR_NAMES)('the example of %s is worked out as it is typed', (name) => {
  const { input, problems } = readDraft(CALCULATORS[name].input, CATALOGUE[name].example)
  expect(problems).toEqual({})
  expect(() => compute(name, input)).not.toThrow()
})

it('every calculator stands in one group of the list', () => {
  expect(GROUPS.flatMap(({ names }) => names).sort()).toEqual([...CALCULATOR_NAMES].sort())
})

it('a link carries the figures as they were typed, whatever their signs', () => {
  const draft = { size: '25 mm²', note: '> 999 MΩ, 4¼"', list: [{ a: '−1' }] }
  expect(fromLink(toLink(draft))).toEqual(draft)
  expect(toLink(draft)).toMatch(/^[\w-]+$/)
})

it.each([null, '', '%%%', btoa('[1]'), btoa('7'), 'bm8'])('a link of %s is no form', (text) => {
  expect(fromLink(text)).toBeUndefined()
})

it('with a decimal comma, a point is refused and not guessed at', () => {
  const read = (value: string) =>
    readDraft(CALCULATORS.decision.input, { value, min: '1' }, { decimal: 'comma' })
  expect(read('2,5').input).toEqual({ value: 2.5, min: 1 })
  expect(read('2.5').problems).toEqual({
    value: expect.stringContaining('the decimal mark here is the comma'),
  })
})
