/** A picture in grey: 0 is black. */
export interface Pixels {
  width: number
  height: number
  /** Four bytes a dot, as a canvas gives them. */
  data: Uint8Array | Uint8ClampedArray
}

interface Seen {
  x0: number
  x1: number
  top: number
  bottom: number
  height: number
  line: number
}

const DARK = 128
/** Strokes this much thicker than usual, against the height of the type, are bold. */
const THICKER = 1.28

/** The lines that are set in bold: their strokes are thicker than those of most lines. */
export function boldness(pixels: Pixels, words: readonly Seen[]): ReadonlySet<number> {
  const strokes = new Map<number, { sum: number; runs: number; height: number }>()
  for (const word of words) {
    const line = strokes.get(word.line) ?? { sum: 0, runs: 0, height: word.height }
    const { sum, runs } = runsIn(pixels, word)
    strokes.set(word.line, { ...line, sum: line.sum + sum, runs: line.runs + runs })
  }
  const shares = [...strokes].map(([line, { sum, runs, height }]) => ({
    line,
    share: sum / Math.max(1, runs) / height,
  }))
  const usual = shares.map(({ share }) => share).sort((a, b) => a - b)[Math.floor(shares.length / 2)] ?? 1
  return new Set(shares.filter(({ share }) => share > THICKER * usual).map(({ line }) => line))
}

/** Dark runs along some rows of a word, those of a whole bar left out: how thick its upright strokes are. */
function runsIn({ width, data }: Pixels, { x0, x1, top, bottom, height }: Seen) {
  let sum = 0
  let runs = 0
  for (let y = Math.round(top); y < bottom; y += 2) {
    let run = 0
    for (let x = Math.round(x0); x <= x1 + 1; x++) {
      const dark = data[4 * (y * width + x)]! < DARK
      if (dark) run++
      else {
        if (run > 0 && run < 0.4 * height) {
          sum += run
          runs++
        }
        run = 0
      }
    }
  }
  return { sum, runs }
}
