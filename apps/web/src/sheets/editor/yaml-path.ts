/** Where a place in a YAML text stands: the keys and list numbers that lead there. */
export interface YamlPlace {
  path: (string | number)[]
  /** True when a key is being written, false when a value is. */
  atKey: boolean
  /** What is written of it so far. */
  written: string
}

interface Frame {
  indent: number
  key: string | number
}

/**
 * The place of the cursor, worked out from indentation alone, so that it holds in a text that does not parse yet: `before` is everything
 * up to the cursor. Flow collections (`{ a: 1 }`) on one line are followed too.
 */
export function placeInYaml(before: string): YamlPlace {
  const lines = before.split('\n')
  const last = lines.pop()!
  const frames: Frame[] = []
  for (const line of lines) step(frames, line, true)
  const flow = flowAt(last)
  if (flow) {
    step(frames, flow.head, true)
    return { path: [...frames.map(({ key }) => key), ...flow.path], atKey: flow.atKey, written: flow.written }
  }
  const found = /^(\s*(?:- +)*)([\w-]*)(:\s+(.*))?$/.exec(last)
  if (!found) return { path: frames.map(({ key }) => key), atKey: false, written: '' }
  const [, , word = '', value] = found
  step(frames, last, value !== undefined)
  if (value !== undefined)
    return { path: frames.map(({ key }) => key), atKey: false, written: found[4] ?? '' }
  return { path: frames.map(({ key }) => key), atKey: true, written: word }
}

/** Takes one line into the frames: dashes open list items, a key opens what stands beneath it. */
function step(frames: Frame[], line: string, withKey: boolean): void {
  if (/^\s*(#.*)?$/.test(line) && withKey) return
  let rest = line
  let indent = 0
  const spaces = () => {
    const n = /^ */.exec(rest)![0].length
    indent += n
    rest = rest.slice(n)
  }
  spaces()
  while (/^-( |$)/.test(rest)) {
    const at = indent
    const before = leave(frames, at, true)
    frames.push({ indent: at, key: typeof before === 'number' ? before + 1 : 0 })
    indent += 1
    rest = rest.slice(1)
    spaces()
  }
  leave(frames, indent, false)
  const key = /^("[^"]*"|[\w-]+):( |$)/.exec(rest)?.[1]
  if (withKey && key) frames.push({ indent, key: key.replace(/"/g, '') })
}

/** Drops the frames that a line at this indent is no longer inside of; answers the number of the list item just left at it. */
function leave(frames: Frame[], indent: number, dash: boolean): string | number | undefined {
  let left: string | number | undefined
  for (
    let top = frames.at(-1);
    top && (top.indent > indent || (top.indent === indent && (!dash || typeof top.key === 'number')));
    top = frames.at(-1)
  ) {
    left = top.indent === indent ? top.key : undefined
    frames.pop()
  }
  return left
}

/** Inside an open `{` on this line: which key, and whether it or its value is written. */
function flowAt(line: string): { head: string; path: string[]; atKey: boolean; written: string } | undefined {
  const open: number[] = []
  for (let i = 0; i < line.length; i++) {
    if (line[i] === '{') open.push(i)
    if (line[i] === '}') open.pop()
  }
  if (open.length === 0) return undefined
  const parts = [...open.map((at, i) => line.slice(at + 1, open[i + 1]))]
  const path = parts.slice(0, -1).map((part) => /([\w-]+):\s*$/.exec(part)?.[1] ?? '')
  const tail = parts.at(-1)!.split(',').at(-1)!
  const pair = /^\s*([\w-]+):\s*(.*)$/.exec(tail)
  const head = line.slice(0, open[0])
  return pair
    ? { head, path: [...path, pair[1]!], atKey: false, written: pair[2]! }
    : { head, path, atKey: true, written: tail.trim() }
}
