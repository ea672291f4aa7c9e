import { cleaned, joined } from './letters.js'
import { inColumns } from './columns.js'
import type { Item, Page } from './page.js'
import { piecesOf } from './pieces.js'
import { upright, type PlacedItem } from './upright.js'

const item = (text: string, x: number, baseline: number, more: Partial<Item> = {}): Item => ({
  text,
  x,
  baseline,
  width: text.length * 5,
  size: 10,
  bold: false,
  ...more,
})
const page = (items: Item[], fromPicture = false): Page => ({
  number: 1,
  width: 600,
  height: 800,
  items,
  rules: [],
  fromPicture,
  pictures: 0,
})
const texts = (items: Item[], fromPicture = false) =>
  piecesOf(page(items, fromPicture)).map(({ text }) => text)

describe('what is on a page', () => {
  it('runs that touch are one piece, and a wide gap parts two', () => {
    expect(texts([item('2.2', 60, 100), item('–2.8', 75, 100), item('Nm', 200, 100)])).toEqual([
      '2.2–2.8',
      'Nm',
    ])
  })

  it('a line that was stretched to the edge is one piece', () => {
    const words = ['Keep', 'the', 'following', 'distances']
    let x = 60
    const items = words.map((word) => {
      const made = item(word, x, 100)
      x += made.width + 11
      return made
    })
    expect(texts(items)).toEqual(['Keep the following distances'])
  })

  it('a raised 2 makes square millimetres, another raised sign names a note', () => {
    expect(texts([item('16 mm', 60, 100), item('2', 85, 96, { size: 6 })])).toEqual(['16 mm²'])
    const [piece] = piecesOf(page([item('2.5 N·m', 60, 100), item('1)', 95, 96, { size: 6 })]))
    expect(piece).toMatchObject({ text: '2.5 N·m', marks: ['1'] })
  })

  it('the sign of a point comes before its text, also where it was set after it', () => {
    expect(
      texts([
        item('Close the breaker.', 80, 100),
        item('1.', 60, 100),
        item('Wait.', 80, 115),
        item('2.', 60, 115),
      ]),
    ).toEqual(['1.', 'Close the breaker.', '2.', 'Wait.'])
  })

  it('ligatures are opened, and a soft hyphen within a line is gone', () => {
    expect(cleaned('The ﬁre ofﬁcer’s rela\u00adtive')).toBe('The fire officer’s relative')
  })

  it('a parted word is joined where the document knows it whole', () => {
    expect(joined('the inver-', 'ter', new Set(['inverter']))).toBe('the inverter')
    expect(joined('close-', 'fitting goggles', new Set(['goggles']))).toBe('close-fitting goggles')
    expect(joined('12–', '18 mm', new Set())).toBe('12–18 mm')
  })

  it('two columns that were seen line by line are read one after the other', () => {
    const words = (from: number, baseline: number, side: string) =>
      ['the', side, 'column', 'says', 'so'].map((word, i) =>
        item(word, from + 42 * i, baseline, { width: 36 }),
      )
    const lines = Array.from({ length: 10 }, (_, i) => [
      ...words(40, 100 + 14 * i, 'left'),
      ...words(320, 100 + 14 * i, 'right'),
    ])
    const seen = inColumns(page(lines.flat(), true))
    expect(seen.slice(0, 50).every(({ x }) => x < 300)).toBe(true)
    expect(seen).toHaveLength(100)
  })

  it('a table that was seen is no columns, since its fields hold a word or two', () => {
    const rows = Array.from({ length: 12 }, (_, i) => [
      item('Delay', 40, 100 + 14 * i),
      item('30', 320, 100 + 14 * i),
      item('s', 360, 100 + 14 * i),
    ])
    const seen = page(rows.flat(), true)
    expect(inColumns(seen)).toEqual(seen.items)
  })

  it.each([
    ['upright', [1, 0, 0, 1, 50, 60], [50, 60]],
    ['set along the long edge', [0, 1, -1, 0, 50, 60], [60, 550]],
    ['upside down', [-1, 0, 0, -1, 50, 60], [550, 740]],
    ['upwards', [0, -1, 1, 0, 50, 60], [740, 50]],
  ])('a page %s stands upright afterwards', (_name, matrix, [x, baseline]) => {
    const placed: PlacedItem = { text: 'DATA OF THE STACKS', matrix, width: 90, bold: false }
    const stray: PlacedItem = { text: 'no', matrix: [0.7, 0.7, -0.7, 0.7, 5, 5], width: 5, bold: false }
    const { items } = upright(600, 800, [placed, stray], [])
    expect(items[0]).toMatchObject({ x, baseline })
  })
})
