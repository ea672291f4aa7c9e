/** A fixed arithmetic loop: its time tells machines apart, so that figures can be compared across them. Milliseconds, median of nine. */
export function referenceLoop() {
  return median(
    Array.from({ length: 9 }, () =>
      time(() => {
        let x = 1
        for (let i = 1; i <= 10_000_000; i++) x = (x * 1.0000001 + i) % 1_000_003
        return x
      }),
    ),
  )
}

export function time(work) {
  const began = performance.now()
  work()
  return performance.now() - began
}

export function median(values) {
  return [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]
}

/** Median over several runs, after one to warm up. */
export function measured(work, runs = 15) {
  work()
  return median(Array.from({ length: runs }, () => time(work)))
}

/** What was printed since it was last taken, for the README. */
let printed = []
export function takePrinted() {
  const rows = printed
  printed = []
  return rows
}

export function table(rows) {
  printed.push(...rows)
  const width = Math.max(...rows.map(([name]) => name.length))
  for (const [name, figure, goal] of rows)
    console.log(`${name.padEnd(width)}  ${figure.padStart(16)}${goal ? `   goal ${goal}` : ''}`)
}

export const ms = (value) => `${value < 10 ? value.toFixed(2) : value.toFixed(1)} ms`
export const perSecond = (n, milliseconds) =>
  `${Math.round((n / milliseconds) * 1000)
    .toLocaleString('en')
    .replaceAll(',', ' ')} /s`
