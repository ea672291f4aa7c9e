import type { Box } from '../page/page.js'
import type { Pixels } from '../source/boldness.js'
import type { Recogniser, SeenWord } from '../source/scan.js'
import { asFile, flattened, greyOf, inked, inverted, softened, turned, type Grey } from './grey.js'
import { agreed, isDoubtful, lineOf, modelOn, serialOn, type PlateLine } from './plate.js'
import { skewOf } from './skew.js'

/** A line of the form of a nameplate: what is asked for. */
export interface PlateField {
  id: string
  label: string
}

/** What a field is proposed to hold. It becomes a fact by a person's touch. */
export interface PlateProposal {
  id: string
  value: string
  /** In dots of `upright`. */
  box: Box
}

export interface ReadPlate {
  proposals: PlateProposal[]
  /** The photo, straightened and in grey, from which cut-outs are taken. */
  upright: Grey
}

/** Dots of the longer side: print of 2 mm on a plate of 150 mm is still 20 dots high. */
const SIDE = 1500

/**
 * Reads a nameplate off a photo. Everything is seen three times, in soft grey, in black and white, and smaller: what no two of them
 * say alike, or one says otherwise, is not proposed, and neither is a serial in which a letter may be a figure. A code that was scanned beside
 * it speaks with them.
 */
export async function readPlate(
  photo: Pixels,
  fields: readonly PlateField[],
  recogniser: Recogniser,
  scanned?: string,
): Promise<ReadPlate> {
  const grey = greyOf(photo, SIDE)
  const flat = flattened(grey)
  const skew = skewOf(flat)
  let upright = turned(flat, skew)
  const see = async (picture: Grey) =>
    (await recogniser.recognise(asFile(picture))).map((word) => scaled(word, upright.width / picture.width))
  let first = await see(softened(upright))
  if (wordsIn(first) < FEWEST) {
    upright = inverted(upright)
    first = await see(softened(upright))
  }
  const readings = [
    first,
    await see(inked(turned(upright, 0, LARGER))),
    await see(softened(turned(upright, 0, SMALLER))),
  ]
  const proposals = fields.flatMap((field): PlateProposal[] => {
    const line = said(field, readings, scanned)
    return line ? [{ id: field.id, value: line.value, box: line.box }] : []
  })
  return { proposals, upright }
}
const LARGER = 1.25
const SMALLER = 0.8

/** A word in the dots of the upright picture, whatever the size at which it was seen. */
const scaled = (word: SeenWord, by: number): SeenWord => ({
  ...word,
  x0: word.x0 * by,
  x1: word.x1 * by,
  top: word.top * by,
  bottom: word.bottom * by,
})
/** With fewer words than this the print is light on dark. */
const FEWEST = 5
const wordsIn = (words: readonly SeenWord[]) => words.filter(({ text }) => /\p{L}{3}/u.test(text)).length

/** What the readings agree on. */
function said(
  { id, label }: PlateField,
  readings: readonly (readonly SeenWord[])[],
  scanned: string | undefined,
): PlateLine | undefined {
  const line = agreed(
    readings.map((words) =>
      id === 'serial' ? serialOn(words) : id === 'model' ? modelOn(words) : lineOf(label, words),
    ),
  )
  if (!line) return undefined
  const isScanned = scanned !== undefined && scanned.toUpperCase().includes(line.value)
  return id === 'serial' && isDoubtful(line.value) && !isScanned ? undefined : line
}
