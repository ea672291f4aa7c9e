/** A list that is kept on this device; what cannot be read counts as nothing. */
export function kept<T>(key: string): T[] {
  try {
    const read: unknown = JSON.parse(localStorage.getItem(key) ?? '[]')
    return Array.isArray(read) ? (read as T[]) : []
  } catch {
    return []
  }
}

export function putAway(key: string, list: readonly unknown[]): void {
  if (list.length === 0) localStorage.removeItem(key)
  else localStorage.setItem(key, JSON.stringify(list))
}

export const keysOf = (prefix: string): string[] =>
  Object.keys(localStorage).filter((key) => key.startsWith(prefix))
