/** A rectangle on a page, in points from its upper left corner as a reader holds it. */
export interface Box {
  x0: number
  top: number
  x1: number
  bottom: number
}

/** A run of text as the document sets it. `baseline` grows downwards. */
export interface Item {
  text: string
  x: number
  baseline: number
  width: number
  size: number
  bold: boolean
}

/** A straight line that was drawn, horizontal or vertical. */
export interface Rule extends Box {
  across: boolean
}

/** A page turned upright: its runs in the order in which the document sets them. */
export interface Page {
  number: number
  width: number
  height: number
  items: Item[]
  rules: Rule[]
  /** Was the text recognised in a picture? */
  fromPicture: boolean
  /** How many pictures are set on it. */
  pictures: number
}

/** Text on one baseline without a gap wider than between words: a line of a column, or of a cell. */
export interface Piece extends Box {
  text: string
  baseline: number
  size: number
  bold: boolean
  page: number
  /** Recognised in a picture: its size and weight are guesses. */
  seen: boolean
  /** Small raised signs after it: which note is meant. */
  marks: string[]
}

export const boxAround = (boxes: readonly Box[]): Box => ({
  x0: Math.min(...boxes.map(({ x0 }) => x0)),
  top: Math.min(...boxes.map(({ top }) => top)),
  x1: Math.max(...boxes.map(({ x1 }) => x1)),
  bottom: Math.max(...boxes.map(({ bottom }) => bottom)),
})
