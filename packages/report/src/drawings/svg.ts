/** Colours of a drawing on paper; the screen has its own. */
export const INK = '#22211d'
export const FAINT = '#6f6a5e'
export const BLUE = '#2b5d8a'
export const OXIDE = '#a2381f'
export const BRASS = '#8a6a1c'
export const PAPER = '#ffffff'
/** Strings and phases, told apart by number as well. */
export const SERIES = [BLUE, OXIDE, BRASS, '#3f6b4f', '#6b4f7d', '#44403a'] as const
export const seriesColour = (i: number): string => SERIES[i % SERIES.length]!

/** A figure short enough for a path. */
export const n = (value: number): string => String(Number(value.toFixed(2)))

export const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (char) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[char]!)

export interface TextOptions {
  size: number
  anchor?: 'start' | 'middle' | 'end'
  fill?: string
  bold?: boolean
}
export function words(
  x: number,
  y: number,
  text: string,
  { size, anchor = 'start', fill = INK, bold }: TextOptions,
): string {
  return `<text x="${n(x)}" y="${n(y)}" font-size="${n(size)}" text-anchor="${anchor}" fill="${fill}"${bold ? ' font-weight="bold"' : ''}>${escaped(text)}</text>`
}

export const drawing = (x: number, y: number, w: number, h: number, parts: readonly string[]): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${n(x)} ${n(y)} ${n(w)} ${n(h)}" font-family="Barlow">${parts.join('')}</svg>`
