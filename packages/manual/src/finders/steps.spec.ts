import type { ManualText, TableField } from '../layout/document.js'
import type { Passage } from '../layout/passage.js'
import type { Piece } from '../page/page.js'
import type { Surroundings } from './prose.js'
import { figureLabels } from './drawings.js'
import { stepsOf } from './steps.js'

const piece = (text: string, { page = 1, x0 = 0, top = 0 } = {}): Piece =>
  ({ text, page, x0, x1: x0 + 40, top, bottom: top + 10 }) as Piece
const around = (pictures: readonly number[] = []) =>
  ({
    isPicture: (page: number) => pictures.includes(page),
    habits: { decimal: 'point' },
  }) as unknown as Surroundings
const text = (...blocks: ManualText['blocks']) => ({ blocks }) as ManualText

const step = (
  number: string,
  words: string,
  { title = 'Starting the inverter', clause = '5.1', chapter = 'Operation' } = {},
): Passage => ({
  kind: 'step',
  step: number,
  text: `${number}. ${words}`,
  from: [{ start: 0, piece: piece(words, { page: 3 }) }],
  clause,
  titles: [chapter, title],
})
const steps = (manual: ManualText, pictures?: readonly number[]) =>
  stepsOf(manual, around(pictures)).map(({ subject, text: words }) => `${subject} ${words}`)

const START = [
  step('1', 'Close the breaker'),
  step('2', 'Turn the switch on'),
  step('3', 'Wait for the lamp'),
]

describe('the order of putting into service', () => {
  it('is the numbered list under a heading that speaks of it, each step with page and clause, without its number', () => {
    expect(stepsOf(text(...START), around())).toMatchObject([
      { kind: 'step', subject: '1', text: 'Close the breaker', clause: '5.1', page: 3 },
      { subject: '2', text: 'Turn the switch on' },
      { subject: '3', text: 'Wait for the lamp' },
    ])
  })
  it.each([[['i', 'ii', 'iii']], [['a', 'b', 'c']], [['Step 1', 'Step 2', 'Step 3']]])(
    'numbered %j is the same order',
    (numbers) => {
      const list = numbers.map((number) => step(number, `Press ${number}`))
      expect(stepsOf(text(...list), around()).map(({ subject }) => subject)).toEqual(['1', '2', '3'])
    },
  )
  it.each(['Switching off', 'Restart after an outage', 'Dismantling', 'Firmware update'])(
    'under “%s” it is another order',
    (title) =>
      expect(steps(text(...START.map((one) => ({ ...one, titles: ['Operation', title] }))))).toEqual([]),
  )
  it('a list that begins in the middle, or that has two steps only, is none', () => {
    expect(steps(text(...START.slice(1)))).toEqual([])
    expect(steps(text(...START.slice(0, 2)))).toEqual([])
  })
  it('two lists one after the other are not one: the second begins at one again', () => {
    const connecting = { chapter: 'Installation', title: 'Connecting', clause: '4.2' }
    const second = ['Open the cover', 'Lay the cable', 'Close the cover'].map((words, i) =>
      step(String(i + 1), words, connecting),
    )
    expect(steps(text(...START, ...second))).toEqual([
      '1 Close the breaker',
      '2 Turn the switch on',
      '3 Wait for the lamp',
    ])
  })
  it('where no heading speaks of it, a list in which things are switched is taken, and one that tells of mounting is not', () => {
    const under = (title: string, ...words: string[]) =>
      words.map((one, i) => ({ ...step(String(i + 1), one), titles: [title] }))
    expect(
      steps(text(...under('Annex', 'Close the breaker', 'Turn the switch on', 'Look at the lamp'))),
    ).toHaveLength(3)
    expect(steps(text(...under('Annex', 'Drill the holes', 'Fix the bracket', 'Hang the unit')))).toEqual([])
  })
  it('may stand in a table of number and step', () => {
    const field = (words: string) =>
      ({ text: words, piece: piece(words, { page: 4 }) }) as unknown as TableField
    const table = {
      kind: 'table' as const,
      caption: '',
      clause: '6.3',
      titles: ['Commissioning', 'Order of switching on'],
      heads: ['Step', 'What is done'],
      rows: ['Close the breaker', 'Turn the switch on', 'Wait'].map((words, i) => ({
        fields: [field(String(i + 1)), field(words)],
        part: '',
      })),
    }
    expect(stepsOf(text(table), around())).toMatchObject([
      { subject: '1', text: 'Close the breaker', clause: '6.3', page: 4 },
      { subject: '2' },
      { subject: '3' },
    ])
  })
  it('read off a scanned page says so: a person looks at it', () => {
    expect(stepsOf(text(...START), around([3])).map(({ fromPicture }) => fromPicture)).toEqual([
      true,
      true,
      true,
    ])
  })
})

describe('measures beside a drawing of free room', () => {
  const label = (words: string, x0: number, top: number, page = 1): Passage => ({
    kind: 'label',
    text: words,
    from: [{ start: 0, piece: piece(words, { page, x0, top }) }],
    clause: '4.1',
    titles: ['Mounting'],
  })
  const caption = (words: string): Passage => ({ ...label(words, 100, 300), kind: 'caption' })
  const FOUR = [
    label('300 mm', 100, 0),
    label('200 mm', 0, 100),
    label('250 mm', 200, 100),
    label('≥ 500 mm', 100, 200),
  ]
  const found = (...blocks: Passage[]) =>
    figureLabels(text(...blocks), around()).map(({ subject, min }) => [subject, min])

  it('stand for the side at which they are drawn', () => {
    expect(found(...FOUR, caption('Figure 3: free space around the unit'))).toEqual([
      ['above', 300],
      ['left', 200],
      ['right', 250],
      ['below', 500],
    ])
  })
  it('say nothing under a drawing of something else, nor where there are only two of them', () => {
    expect(found(...FOUR, caption('Figure 4: dimensions of the bracket'))).toEqual([])
    expect(found(...FOUR.slice(0, 2), caption('Figure 3: free space'))).toEqual([])
  })
  it('of another page, or in the middle of a sentence, are none of its labels', () => {
    const sentence = label('The bracket is fixed 300 mm below the upper edge of the unit.', 100, 0)
    expect(found(label('300 mm', 100, 0, 2), sentence, FOUR[1]!, FOUR[2]!, caption('Free space'))).toEqual([])
  })
})
