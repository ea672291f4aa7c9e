import {
  LineCounter,
  Parser,
  isAlias,
  isCollection,
  isMap,
  isScalar,
  parseDocument,
  visit,
  type CST,
  type Document,
} from 'yaml'

/** Far beyond any sheet, and quick to read. */
const LIMITS = { tokens: 60_000, depth: 40, keys: 2000, aliases: 50 }

export interface YamlFault {
  message: string
  offset: number
}
export type YamlText =
  | { ok: true; document: Document.Parsed; data: unknown; lines: LineCounter }
  | { ok: false; faults: [YamlFault, ...YamlFault[]]; lines: LineCounter }

/**
 * Reads YAML (or JSON, which is YAML too) from a stranger: counted and measured before it is put together, so that neither depth nor width,
 * neither aliases nor keys can hold anybody up.
 */
export function readYaml(source: string): YamlText {
  const lines = new LineCounter()
  const refused = (message: string, offset = 0): YamlText => ({
    ok: false,
    faults: [{ message, offset }],
    lines,
  })
  const beyond = beyondLimits(source)
  if (beyond) return refused(beyond)
  // Keys are compared below: the parser would compare each with each.
  const document = parseDocument(source, { lineCounter: lines, prettyErrors: false, uniqueKeys: false })
  const [first, ...more] = document.errors.map(({ pos, message }): YamlFault => ({ message, offset: pos[0] }))
  if (first) return { ok: false, faults: [first, ...more], lines }
  const fault = faultOfNodes(document)
  if (fault) return { ok: false, faults: [fault], lines }
  try {
    return { ok: true, document, data: document.toJS({ maxAliasCount: LIMITS.aliases }), lines }
  } catch (problem) {
    return refused((problem as Error).message)
  }
}

/** Walks the tokens, which are read without recursion, for what would be too much to put together. */
function beyondLimits(source: string): string | undefined {
  const waiting: { token: CST.Token; depth: number }[] = []
  for (const token of new Parser().parse(source)) waiting.push({ token, depth: 0 })
  let count = 0
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    if (++count > LIMITS.tokens) return `the file has more than ${LIMITS.tokens} parts`
    if (next.depth > LIMITS.depth) return `the file is nested deeper than ${LIMITS.depth} levels`
    const depth = next.depth + 1
    for (const inner of innerTokens(next.token)) waiting.push({ token: inner, depth })
  }
  return undefined
}

function innerTokens(token: CST.Token): CST.Token[] {
  if (token.type === 'document') return token.value ? [token.value] : []
  if (!('items' in token)) return []
  return token.items.flatMap((item) => [item.key, item.value].flatMap((one) => one ?? []))
}

/** A key that stands twice, too many keys in one place, or an alias of nothing. */
function faultOfNodes(document: Document.Parsed): YamlFault | undefined {
  let found: YamlFault | undefined
  const anchors = new Set<string>()
  visit(document, (_key, node) => {
    if ((isScalar(node) || isCollection(node)) && node.anchor) anchors.add(node.anchor)
    if (isAlias(node) && !anchors.has(node.source))
      found = { message: `nothing is called *${node.source} before this`, offset: node.range?.[0] ?? 0 }
    if (isMap(node)) found ??= faultOfKeys(node.items)
    return found ? visit.BREAK : undefined
  })
  return found
}

function faultOfKeys(items: readonly { key: unknown }[]): YamlFault | undefined {
  if (items.length > LIMITS.keys) return { message: `more than ${LIMITS.keys} keys in one place`, offset: 0 }
  const seen = new Set<unknown>()
  for (const { key } of items) {
    const [name, offset] = isScalar(key) ? [key.value, key.range?.[0] ?? 0] : [String(key), 0]
    if (seen.has(name)) return { message: `the key “${String(name)}” stands here twice`, offset }
    seen.add(name)
  }
  return undefined
}
