/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { CALCULATORS, CALCULATOR_NAMES, compute, readDraft, type CalculatorName } from '@plumb-mark/core'
import { onScreen, openJob } from '../../testing/job-on-screen.testing.js'
import { CATALOGUE } from '../../data/calculators/catalogue.js'
import { Picture } from './picture.js'

type Fields = Record<string, unknown>

/** The same input once more for each of its fields, with that one left out. */
function* withOneLeftOut(input: Fields): Generator<Fields> {
  for (const [name, value] of Object.entries(input)) {
    yield Object.fromEntries(Object.entries(input).filter(([one]) => one !== name))
    if (typeof value === 'object' && value !== null && !Array.isArray(value))
      for (const inner of withOneLeftOut(value as Fields)) yield { ...input, [name]: inner }
  }
}

function drawn(name: CalculatorName, input: Fields): string | undefined {
  let result
  try {
    result = compute(name, input)
  } catch {
    return undefined
  }
  const { container, unmount } = onScreen(<Picture name={name} input={input} result={result} />, {
    path: '/',
    at: '/',
  })
  const markup = container.innerHTML
  unmount()
  return markup
}

it.each(CALCULATOR_NAMES)('the picture of %s has a place for everything, whatever is left empty', (name) => {
  openJob([])
  const { input } = readDraft(CALCULATORS[name].input, CATALOGUE[name].example)
  const pictures = [input as Fields, ...withOneLeftOut(input as Fields)].map((one) => drawn(name, one))
  expect(pictures[0]).toBeDefined()
  for (const markup of pictures) expect(markup ?? '').not.toMatch(/NaN|undefined|Infinity/)
})
