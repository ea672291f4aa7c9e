import type { ErrorShape } from '@plumb-mark/core'

/** Deeper than anything that the application sends. */
const DEEPEST = 40
/** Names that mean something to every object of the language: data that carries them is not ours. */
const FORBIDDEN = new Set(['__proto__', 'constructor', 'prototype'])

/**
 * What is wrong with JSON data before anybody looks at its fields: nested too deep, a member named like a part of every object, text that
 * is not well-formed Unicode (a database and a hash would each read it differently). Undefined when nothing is. Walks without recursion.
 */
export function plainFault(data: unknown): ErrorShape | undefined {
  const waiting: { value: unknown; path: string; depth: number }[] = [{ value: data, path: '', depth: 0 }]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { value, path, depth } = next
    if (typeof value === 'string' && !value.isWellFormed())
      return fault('not-text', 'holds text that is not well-formed', path)
    if (typeof value !== 'object' || value === null) continue
    if (depth >= DEEPEST) return fault('too-deep', `is nested deeper than ${DEEPEST} levels`, path)
    for (const [key, one] of Object.entries(value)) {
      if (FORBIDDEN.has(key) || !key.isWellFormed())
        return fault('invalid', 'a member has a name that is not taken', path)
      waiting.push({
        value: one,
        path: Array.isArray(value) ? `${path}[${key}]` : path ? `${path}.${key}` : key,
        depth: depth + 1,
      })
    }
  }
  return undefined
}

const fault = (code: string, message: string, path: string): ErrorShape => ({
  error: { code, message, ...(path && { path: path.slice(0, 200) }) },
})
