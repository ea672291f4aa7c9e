const STEPS = [
  ['GB', 1e9],
  ['MB', 1e6],
  ['kB', 1e3],
] as const

/** How large something is, in words: three figures are enough. */
export function sizeWords(bytes: number): string {
  for (const [unit, size] of STEPS)
    if (bytes >= size) return `${Number((bytes / size).toPrecision(3))} ${unit}`
  return `${bytes} bytes`
}
