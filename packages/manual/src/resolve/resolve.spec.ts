import { readManual } from '../read-manual.js'
import { fields, heading, line, paragraph, printed, type PrintedLine } from '../printed.testing.js'
import type { Page } from '../page/page.js'

const manual = (...pages: PrintedLine[][]): Page[] => [
  printed(1, paragraph('Inverter. Invented manual.')),
  ...pages.map((lines, i) => printed(i + 2, lines)),
]
const facts = (pages: Page[], model?: string) =>
  readManual(pages, { model }).facts.map(({ kind, subject, min, max, value, page, clause }) => ({
    kind,
    subject,
    figure: value ?? min ?? max,
    page,
    clause,
  }))
const TERMINALS = [60, 240, 340]
const terminals = (mark = ''): PrintedLine[] => [
  heading('4.2 Mains'),
  fields(TERMINALS, ['Terminal', 'Strip', 'Torque'], { bold: true }),
  fields(TERMINALS, ['L1, L2, N', '12 mm', '2.4 N·m']),
  fields(TERMINALS, [`PE ground`, '14 mm', `3 N·m${mark}`]),
]

describe('what of a manual stands', () => {
  it('a slip of corrections replaces what was printed, and the fact stands where the slip does', () => {
    const found = facts(
      manual(terminals(), [
        heading('E Errata'),
        fields([60, 120, 330, 430], ['Page', 'Place', 'Printed', 'Correct'], { bold: true }),
        fields([60, 120, 330, 430], ['2', 'Terminals L1, L2, N, torque', '2.4 N·m', '3.1 N·m']),
        fields([60, 120, 330, 430], ['2', 'Terminal PE, strip', '14 mm', '16 mm']),
      ]),
    )
    expect(found).toContainEqual(
      expect.objectContaining({ kind: 'torque', figure: 3.1, page: 3, clause: 'E' }),
    )
    expect(found).toContainEqual(expect.objectContaining({ kind: 'strip', figure: 16, clause: 'E' }))
    expect(found.filter(({ figure }) => figure === 2.4 || figure === 14)).toEqual([])
  })

  it('a sentence that corrects another does the same', () => {
    const found = facts(
      manual(
        [heading('4.3 Distances'), ...paragraph('Leave 600 mm free below the unit.')],
        [heading('9 Corrections'), ...paragraph('The distance below the unit is 700 mm, not 600 mm.')],
      ),
    )
    expect(found).toEqual([expect.objectContaining({ kind: 'clearance', figure: 700, page: 3, clause: '9' })])
  })

  it('a note that overrides takes the place of the figure that bears its mark', () => {
    const lines = terminals()
    const pe = lines.at(-1)!
    const page = printed(2, [
      ...lines,
      line('1 From serial 4000 on the screw takes 3.6 N·m instead.', { size: 8, above: 20 }),
    ])
    const at = page.items.find(({ text }) => text === pe.parts[2]!.text)!
    page.items.splice(page.items.indexOf(at) + 1, 0, {
      text: '1',
      x: at.x + at.width,
      baseline: at.baseline - 4,
      width: 3,
      size: 6,
      bold: false,
    })
    const found = facts([printed(1, paragraph('Inverter.')), page])
    expect(found.filter(({ kind }) => kind === 'torque').map(({ figure }) => figure)).toEqual([2.4, 3.6])
  })

  it('letters of a drawing mean what their table says', () => {
    const found = facts(
      manual([
        heading('4.3 Room for air'),
        line('Figure 1 – Free room: A ≥ 300 mm, B ≥ 500 mm, C ≥ 200 mm.', { above: 100 }),
        fields([60, 150], ['Letter', 'Distance'], { bold: true }),
        fields([60, 150], ['A', 'from the top edge to a ceiling']),
        fields([60, 150], ['B', 'to the floor']),
        fields([60, 150], ['C', 'from either flank to a side wall']),
      ]),
    )
    expect(found.map(({ subject, figure }) => [subject, figure])).toEqual([
      ['above', 300],
      ['below', 500],
      ['left', 200],
      ['right', 200],
    ])
  })

  const MODELS = [60, 240, 340, 440]
  const table = [
    heading('8 Technical data'),
    fields(MODELS, ['', 'Tarn 4', 'Tarn 6', 'Tarn 8'], { bold: true }),
    fields(MODELS, ['Rated power', '4000 W', '6000 W', '8000 W']),
    fields(MODELS, ['Mass', '16.8 kg', '18.4 kg', '21.9 kg']),
  ]
  it('of several models the one on the wall is read, and the others stand aside', () => {
    const read = readManual(
      manual(table, [heading('5.2 Lifting'), ...paragraph('The larger Tarn 8 weighs 21.9 kg.')]),
      { model: 'Tarn 6' },
    )
    expect(read.facts.map(({ value, max }) => value ?? max)).toEqual([6000, 18.4])
    expect(read.ofOthers.length).toBeGreaterThan(3)
    expect(read.models).toEqual(['Tarn 4', 'Tarn 6', 'Tarn 8'])
  })

  it('without a choice each fact says of which model it is', () => {
    const read = readManual(manual(table))
    expect(new Set(read.facts.map(({ model }) => model))).toEqual(new Set(['Tarn 4', 'Tarn 6', 'Tarn 8']))
  })

  it('two places that say something else of the same are both kept and marked', () => {
    const { facts: found } = readManual(
      manual(
        [heading('4.3 Distances'), ...paragraph('Leave 300 mm free below the unit.')],
        [
          heading('9 Data'),
          fields([60, 300], ['Property', 'Value'], { bold: true }),
          fields([60, 300], ['Free space below the unit', '≥ 250 mm']),
          fields([60, 300], ['Mass', '12 kg']),
        ],
      ),
    )
    expect(found.filter(({ contradicts }) => contradicts).map(({ min }) => min)).toEqual([300, 250])
  })
})
