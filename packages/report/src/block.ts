import type { PhotoRef, Verdict } from '@plumb-mark/core'

/** Words with what they are: a figure in its own face, something to be seen first, something that stands back. */
export interface Marked {
  text: string
  as: 'figure' | 'strong' | 'quiet' | 'danger'
}
/** What a cell of a table holds; a list stands line under line. */
export type Cell =
  string | Marked | { verdict: Verdict } | { line: readonly (string | Marked)[] } | readonly Cell[]

export interface Column {
  head: string
  /** Share of the width beside the others; 1 where it is left out. */
  share?: number
}

/** A piece of a report, as plain data: set on paper by the server, drawn on the screen by the browser. */
export type Block =
  | { kind: 'heading'; text: string }
  | { kind: 'text'; text: string; as?: 'lead' | 'quiet' | 'danger' }
  | { kind: 'verdict'; verdict: Verdict; text: string }
  | { kind: 'facts'; rows: readonly (readonly [label: string, value: Cell])[] }
  | { kind: 'table'; columns: readonly Column[]; rows: readonly (readonly Cell[])[] }
  | { kind: 'list'; items: readonly string[] }
  | { kind: 'drawing'; svg: string; alt: string; caption?: string; height: number }
  | { kind: 'photos'; photos: readonly { photo: PhotoRef; label: string }[] }
  /** What belongs together and is not parted by the end of a page. */
  | { kind: 'together'; blocks: readonly Block[] }
  /** A picture as a data address: a drawn signature, a logo; `wide`, a strip over the whole page. */
  | { kind: 'image'; data: string; alt: string; height: number; wide?: boolean }
  | { kind: 'code'; address: string; caption: string }

export interface Part {
  id: string
  title: string
  /** Its tables are wider than the page is: it is turned. */
  turned?: boolean
  /** It begins on a page of its own. */
  ownPage?: boolean
  blocks: readonly Block[]
}

/** What it is, and behind it on the same line what stands back. */
export const beside = (text: string, ...more: string[]): Cell => ({
  line: [text, ...more.filter(Boolean).map((one) => quiet(` · ${one}`))],
})
export const figure = (text: string): Marked => ({ text, as: 'figure' })
export const quiet = (text: string): Marked => ({ text, as: 'quiet' })
export const strong = (text: string): Marked => ({ text, as: 'strong' })

/** What was not read or entered says so: an empty cell could mean anything. */
export const orDash = (text: string | undefined): Cell => (text ? text : quiet('–'))
