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

/** A photo of a label with a number in bars on it, made in the browser at hand; of a bare label without one. */
export async function photoOfBars(page: Page, digits: string): Promise<Buffer> {
  const widths = (digits === '' ? [] : ['*', ...digits, '*']).flatMap((mark) =>
    [...BARS[mark]!].map((bar) => (bar === 'w' ? 3 : 1) * NARROW).concat(NARROW),
  )
  const address = await page.evaluate((bars) => {
    const canvas = document.createElement('canvas')
    canvas.width = bars.reduce((sum, one) => sum + one, 0) + 160
    canvas.height = 220
    const pen = canvas.getContext('2d')!
    pen.fillStyle = '#f3efe4'
    pen.fillRect(0, 0, canvas.width, canvas.height)
    pen.fillStyle = '#14130f'
    let x = 80
    bars.forEach((width, i) => {
      if (i % 2 === 0) pen.fillRect(x, 50, width, 120)
      x += width
    })
    return canvas.toDataURL('image/png')
  }, widths)
  return Buffer.from(address.slice(address.indexOf(',') + 1), 'base64')
}
