import { isCollection, isScalar, parseDocument, stringify, type Document } from 'yaml'

type Path = (string | number)[]
interface Leaf {
  path: Path
  after: unknown
}

/**
 * The text with what differs between two states of its data written in, and nothing else: comments, order and the author's own layout stay
 * as they are. A figure exchanged for another is put in its very place; where fields or items come or go the document is written anew.
 */
export function editText(text: string, before: unknown, after: unknown): string {
  const document = parseDocument(text)
  const leaves = scalarChanges(before, after)
  const spliced = leaves && splice(text, document, leaves)
  if (spliced !== undefined) return spliced
  applyChange(document, before, after)
  return document.toString({ lineWidth: 0 })
}

/** The changes as exchanges of one plain value for another; undefined when anything else changed. */
function scalarChanges(before: unknown, after: unknown, path: Path = []): Leaf[] | undefined {
  if (same(before, after)) return []
  if (!isObjectOrList(before) || !isObjectOrList(after))
    return isObjectOrList(before) || isObjectOrList(after) || before === undefined || after === undefined
      ? undefined
      : [{ path, after }]
  const [a, b] = [before as Record<string, unknown>, after as Record<string, unknown>]
  const keys = [...new Set([...Object.keys(a), ...Object.keys(b)])]
  const found: Leaf[] = []
  for (const key of keys) {
    const inside = scalarChanges(a[key], b[key], [...path, Array.isArray(before) ? Number(key) : key])
    if (!inside) return undefined
    found.push(...inside)
  }
  return found
}

function splice(text: string, document: Document, leaves: readonly Leaf[]): string | undefined {
  const edits = leaves.map(({ path, after }) => {
    const node = document.getIn(path, true)
    return isScalar(node) && node.range
      ? { from: node.range[0], to: node.range[1], said: stringify(after, { lineWidth: 0 }).trimEnd() }
      : undefined
  })
  if (edits.some((edit) => edit === undefined || edit.said.includes('\n'))) return undefined
  return (edits as { from: number; to: number; said: string }[])
    .sort((a, b) => b.from - a.from)
    .reduce((so, { from, to, said }) => so.slice(0, from) + said + so.slice(to), text)
}

function applyChange(
  document: Document,
  before: unknown,
  after: unknown,
  path: readonly (string | number)[] = [],
): void {
  if (same(before, after)) return
  if (bothObjects(before, after)) {
    const [a, b] = [before as Record<string, unknown>, after as Record<string, unknown>]
    for (const key of Object.keys(a))
      if (!(key in b) || b[key] === undefined) document.deleteIn([...path, key])
    for (const key of Object.keys(b))
      if (b[key] !== undefined) applyChange(document, a[key], b[key], [...path, key])
    return
  }
  if (Array.isArray(before) && Array.isArray(after)) {
    const shared = Math.min(before.length, after.length)
    for (let i = 0; i < shared; i++) applyChange(document, before[i], after[i], [...path, i])
    for (let i = before.length - 1; i >= shared; i--) document.deleteIn([...path, i])
    for (let i = shared; i < after.length; i++) document.addIn(path, document.createNode(after[i]))
    return
  }
  const old = document.getIn(path, true)
  // The note beside a figure stays with it.
  if (isScalar(old) && !isObjectOrList(after)) {
    old.value = after
    return
  }
  const node = document.createNode(after)
  // A small collection reads best on one line, as the rest of the file has it.
  if (isCollection(node) && Object.keys((after ?? {}) as object).length <= 4) node.flow = true
  document.setIn(path, node)
}

const isObjectOrList = (one: unknown): boolean => typeof one === 'object' && one !== null
const bothObjects = (a: unknown, b: unknown): boolean =>
  isObjectOrList(a) && isObjectOrList(b) && !Array.isArray(a) && !Array.isArray(b)
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)
