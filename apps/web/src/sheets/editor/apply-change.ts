import { isCollection, isScalar, type Document } from 'yaml'

/**
 * Writes into a YAML document what differs between two states of its data, and nothing else: comments, order and the author's own layout
 * stay as they are.
 */
export function applyChange(document: Document, before: unknown, after: unknown, path: readonly (string | number)[] = []): void {
  if (same(before, after)) return
  if (bothObjects(before, after)) {
    const [a, b] = [before as Record<string, unknown>, after as Record<string, unknown>]
    for (const key of Object.keys(a)) if (!(key in b) || b[key] === undefined) document.deleteIn([...path, key])
    for (const key of Object.keys(b)) if (b[key] !== undefined) applyChange(document, a[key], b[key], [...path, key])
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
  if (isScalar(old) && (typeof after !== 'object' || after === null)) {
    old.value = after
    return
  }
  const node = document.createNode(after)
  // A small collection reads best on one line, as the rest of the file has it.
  if (isCollection(node) && Object.keys((after ?? {}) as object).length <= 4) node.flow = true
  document.setIn(path, node)
}

const isObject = (one: unknown): boolean => typeof one === 'object' && one !== null && !Array.isArray(one)
const bothObjects = (a: unknown, b: unknown): boolean => isObject(a) && isObject(b)
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)
