/**
 * JSON in one spelling only: keys sorted by character code, no blanks, fields that are undefined left out; numbers as JavaScript writes
 * them. Two records with the same content have the same text, and so the same hash. (The scheme of RFC 8785.)
 */
export function canonicalJson(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map((one) => canonicalJson(one ?? null)).join(',')}]`
  if (typeof value === 'object' && value !== null) {
    const given = value as Record<string, unknown>
    const keys = Object.keys(given)
      .filter((key) => given[key] !== undefined)
      .sort()
    return `{${keys.map((key) => `${JSON.stringify(key)}:${canonicalJson(given[key])}`).join(',')}}`
  }
  return JSON.stringify(value)
}
