import type { Page } from '@playwright/test'

/** Narrow and wide bars and spaces of the digits and of the mark at either end. Source: ISO/IEC 16388, Code 39. */
const BARS: Readonly<Record<string, string>> = {
  0: 'nnnwwnwnn',
  1: 'wnnwnnnnw',
  2: 'nnwwnnnnw',
  3: 'wnwwnnnnn',
  4: 'nnnwwnnnw',
  5: 'wnnwwnnnn',
  6: 'nnwwwnnnn',
  7: 'nnnwnnwnw',
  8: 'wnnwnnwnn',
  9: 'nnwwnnwnn',
  '*': 'nwnnwnwnn',
}
const NARROW = 4

/** Widths of bars and spaces in turn, px. */
const barsOf = (digits: string): number[] =>
  (digits === '' ? [] : ['*', ...digits, '*']).flatMap((mark) =>
    [...BARS[mark]!].map((bar) => (bar === 'w' ? 3 : 1) * NARROW).concat(NARROW),
  )

/** A photo of labels with numbers in bars on them, in rows and columns of a paper map; where nothing stands is none. */
export async function photoOfLabels(
  page: Page,
  rows: readonly (readonly string[])[],
): Promise<{ photo: Buffer; width: number; height: number }> {
  const labels = rows.map((row) => row.map(barsOf))
  const widest = Math.max(...labels.flat().map((bars) => bars.reduce((sum, one) => sum + one, 0)))
  const [wide, high] = [widest + 160, 220]
  const [width, height] = [wide * rows[0]!.length, high * rows.length]
  const address = await page.evaluate(
    ({ labels, wide, high, width, height }) => {
      const canvas = Object.assign(document.createElement('canvas'), { width, height })
      const pen = canvas.getContext('2d')!
      pen.fillStyle = '#f3efe4'
      pen.fillRect(0, 0, width, height)
      pen.fillStyle = '#14130f'
      labels.forEach((row, r) =>
        row.forEach((bars, c) => {
          let x = c * wide + 80
          bars.forEach((one, i) => {
            if (i % 2 === 0) pen.fillRect(x, r * high + 50, one, 120)
            x += one
          })
        }),
      )
      return canvas.toDataURL('image/png')
    },
    { labels, wide, high, width, height },
  )
  return { photo: Buffer.from(address.slice(address.indexOf(',') + 1), 'base64'), width, height }
}

/** A photo of one label; of a bare one without a number. */
export const photoOfBars = async (page: Page, digits: string): Promise<Buffer> =>
  (await photoOfLabels(page, [[digits]])).photo
