import { fields, heading, line, paragraph, printed } from '../printed.testing.js'
import type { Rule } from '../page/page.js'
import { manualText, type Table } from './document.js'
import type { Passage } from './passage.js'

const passages = (text: ReturnType<typeof manualText>) =>
  text.blocks.filter((block): block is Passage => block.kind !== 'table')
const tables = (text: ReturnType<typeof manualText>) =>
  text.blocks.filter((block): block is Table => block.kind === 'table')
const rowsOf = ({ rows }: Table) => rows.map(({ fields: all }) => all.map(({ text }) => text))

describe('how a manual is laid out', () => {
  it('a paragraph stands under its heading, whatever form the number has', () => {
    const text = manualText([
      printed(1, [
        heading('4.3 Distances'),
        ...paragraph('Keep it free.'),
        heading('2-1 Weather'),
        ...paragraph('Dry.'),
      ]),
      printed(2, [
        heading('Chapter 5 Closing up'),
        ...paragraph('Pull on every conductor.'),
        heading('E Errata'),
        ...paragraph('Sorry.'),
      ]),
      printed(3, [
        heading('§ 7.2 Earth'),
        ...paragraph('Bond it.'),
        heading('Card 3 – Hanging'),
        ...paragraph('Level it.'),
      ]),
    ])
    expect(passages(text).map(({ clause, text: words }) => [clause, words])).toEqual([
      ['4.3', 'Keep it free.'],
      ['2-1', 'Dry.'],
      ['5', 'Pull on every conductor.'],
      ['E', 'Sorry.'],
      ['7.2', 'Bond it.'],
      ['3', 'Level it.'],
    ])
  })

  it('what stands on every page is no text of it, nor is a page number or the list of contents', () => {
    const page = (number: number, words: string) => {
      const made = printed(number, [heading(`${number} Chapter ${number}`), ...paragraph(words)])
      made.items.unshift({
        text: 'Hoard 10 · mounting',
        x: 60,
        baseline: 40,
        width: 100,
        size: 8,
        bold: false,
      })
      made.items.push({ text: `Page ${number}`, x: 280, baseline: 815, width: 40, size: 8, bold: false })
      return made
    }
    const contents = printed(
      1,
      ['Place', 'Hanging', 'Earth', 'Mains', 'Array', 'Data'].map((title, i) =>
        line(`${i + 2} ${title} . . . . . . . . ${i + 2}`),
      ),
    )
    const text = manualText([contents, page(2, 'First.'), page(3, 'Second.'), page(4, 'Third.')])
    expect(passages(text).map(({ text: words }) => words)).toEqual(['First.', 'Second.', 'Third.'])
  })

  it('a sentence goes on over the page, and each of its words knows its own', () => {
    const text = manualText([
      printed(1, [
        heading('6.2 Leads'),
        ...paragraph('Their section is 25 to 35 mm² and neither of them may be longer'),
      ]),
      printed(2, paragraph('than 8 m. They pass through the glands.')),
    ])
    const [only] = passages(text)
    expect(only!.text).toContain('may be longer than 8 m.')
    expect(only!.from.map(({ piece }) => piece.page)).toEqual([1, 2])
  })

  it('a word that was parted at the end of a line is one again, and a hyphened one keeps its hyphen', () => {
    const text = manualText([
      printed(1, [
        line('The place of the inverter. In a wall-'),
        line('hung cabinet the inver-'),
        line('ter is cooled.'),
      ]),
    ])
    expect(passages(text)[0]!.text).toBe(
      'The place of the inverter. In a wall-hung cabinet the inverter is cooled.',
    )
  })

  it('steps are told apart, and the text after them is none', () => {
    const text = manualText([
      printed(1, [
        heading('6.1 Order'),
        line('1. Close the breaker.', { x: 70 }),
        line('2. Wait for the lamp.', { x: 70 }),
        line('3. Choose the country.', { x: 70 }),
        line('The lamp wakes within 8 s.', { x: 60 }),
      ]),
    ])
    expect(passages(text).map(({ kind, step }) => step ?? kind)).toEqual(['1', '2', '3', 'paragraph'])
  })

  const COLUMNS = [60, 240, 320, 420]
  it('texts that stand under one another are a table; its heads and its caption belong to it', () => {
    const text = manualText([
      printed(1, [
        heading('7.2 Cable'),
        line('Table 3 – Mains cable', { above: 12 }),
        fields(COLUMNS, ['Terminal', 'Wire', 'Strip', 'Torque'], { bold: true }),
        fields(COLUMNS, ['L1, L2', '4–6 mm²', '12 mm', '2.2 N·m']),
        fields(COLUMNS, ['PE', '6–10 mm²', '14 mm', '3 N·m']),
      ]),
    ])
    const [table] = tables(text)
    expect(table).toMatchObject({
      clause: '7.2',
      caption: 'Table 3 – Mains cable',
      heads: ['Terminal', 'Wire', 'Strip', 'Torque'],
    })
    expect(rowsOf(table!)).toEqual([
      ['L1, L2', '4–6 mm²', '12 mm', '2.2 N·m'],
      ['PE', '6–10 mm²', '14 mm', '3 N·m'],
    ])
  })

  it('a table that goes on overleaf without its head keeps it', () => {
    const row = (a: string, b: string) => fields([60, 300], [a, b])
    const text = manualText([
      printed(1, [
        heading('11 Settings'),
        fields([60, 300], ['Setting', 'Allowed'], { bold: true }),
        row('Delay', '30 – 600 s'),
        row('Limit', '0 – 100 %'),
      ]),
      printed(2, [row('Address', '1 – 20'), row('Ramp', '1 – 100 %')]),
    ])
    expect(tables(text).map(({ heads }) => heads)).toEqual([
      ['Setting', 'Allowed'],
      ['Setting', 'Allowed'],
    ])
  })

  it('fields that are ruled on all sides may span rows and columns', () => {
    const xs = [50, 150, 250, 350]
    const ys = [100, 120, 140, 160]
    const across = (y: number, from: number, to: number): Rule => ({
      x0: from,
      x1: to,
      top: y,
      bottom: y,
      across: true,
    })
    const upright = (x: number, from: number, to: number): Rule => ({
      x0: x,
      x1: x,
      top: from,
      bottom: to,
      across: false,
    })
    const rules = [
      ...ys.filter((y) => y !== 140).map((y) => across(y, 50, 350)),
      across(140, 150, 350),
      upright(50, 100, 160),
      upright(350, 100, 160),
      upright(150, 100, 160),
      // The last row lets its figure reach over two columns.
      upright(250, 100, 140),
    ]
    const page = printed(1, [], rules)
    const put = (text: string, x: number, baseline: number, bold = false) =>
      page.items.push({ text, x, baseline, width: text.length * 5, size: 10, bold })
    put('Part', xs[0]! + 5, 113, true)
    put('from', xs[1]! + 5, 113, true)
    put('to', xs[2]! + 5, 113, true)
    put('Module', xs[0]! + 5, 143)
    put('2', xs[1]! + 5, 133)
    put('3', xs[2]! + 5, 133)
    put('15', 245, 153)
    const [table] = tables(manualText([page]))
    expect(table!.heads).toEqual(['Part', 'from', 'to'])
    expect(table!.rows.map(({ fields: all }) => all.map(({ text, from, to }) => [text, from, to]))).toEqual([
      [
        ['Module', 0, 0],
        ['2', 1, 1],
        ['3', 2, 2],
      ],
      [
        ['Module', 0, 0],
        ['15', 1, 2],
      ],
    ])
  })

  it.each([
    ['2,2 bis 2,8; 7,4; 34,5 kg', 'comma'],
    ['chapter 2.1, 2.2 and 2.3 of 6,560 ft', 'point'],
  ])('“%s” has the decimal %s', (words, decimal) => {
    expect(manualText([printed(1, paragraph(words))]).decimal).toBe(decimal)
  })
})
