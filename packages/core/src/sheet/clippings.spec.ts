import { clippingAt, clippingsText, readClippings, type Clipping } from './clippings.js'

const MANUAL = 'a'.repeat(64)
const clipping: Clipping = {
  page: 4,
  box: [60, 100.5, 200, 112],
  area: [0, 70, 595, 140],
  picture: 'data:image/webp;base64,UklGRg==',
}
const file = (change: object) =>
  JSON.stringify({ ...JSON.parse(clippingsText(MANUAL, [clipping])), ...change })

describe('cut-outs of a manual', () => {
  it('are found by the place that a sheet names', () => {
    const read = readClippings(clippingsText(MANUAL, [clipping]))
    expect(clippingAt(read, { page: 4, box: [60, 100.5, 200, 112] })).toEqual(clipping)
    expect(clippingAt(read, { page: 5, box: [60, 100.5, 200, 112] })).toBeUndefined()
    expect(clippingAt(read, { page: 4 })).toBeUndefined()
  })

  it.each([
    ['no JSON', 'not-json', 'manual'],
    ['another format', 'not-listed', file({ format: 'zip' })],
    ['no digest of the manual', 'malformed', file({ manual: '../x' })],
    [
      'a page elsewhere',
      'malformed',
      file({ clippings: [{ ...clipping, picture: 'https://x.invalid/p.png' }] }),
    ],
    [
      'a picture that runs',
      'malformed',
      file({ clippings: [{ ...clipping, picture: 'data:image/svg+xml;base64,PHN2Zz4=' }] }),
    ],
    [
      'a picture without end',
      'too-large',
      file({ clippings: [{ ...clipping, picture: `data:image/png;base64,${'A'.repeat(2_000_001)}` }] }),
    ],
  ])('%s is refused as %s', (_what, code, json) =>
    expect(() => readClippings(json)).toThrow(expect.objectContaining({ code })),
  )
})
