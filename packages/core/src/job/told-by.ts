import type { Entry } from './entry.js'

/** A stretch of a record that another installation of the program wrote, and brought here as a file. */
export interface ToldPart {
  fromSeq: number
  toSeq: number
  /** As the office here calls that installation. */
  installation: string
  /** Fingerprint of the key by which it gave its word. */
  key: string
}

/**
 * A record as it is shown and judged: whoever wrote a stretch that came from elsewhere is somebody there, and nobody of ours, whatever
 * name and id the file gives them. What was hashed stays as it is; this is for reading.
 */
export function asTold(entries: readonly Entry[], parts: readonly ToldPart[]): readonly Entry[] {
  if (parts.length === 0) return entries
  return entries.map((entry) => {
    const part = parts.find(({ fromSeq, toSeq }) => entry.seq >= fromSeq && entry.seq <= toSeq)
    if (!part) return entry
    const { id, name, role } = entry.by
    return {
      ...entry,
      by: { id: `${part.key} ${id}`, name: `${name} (as told by ${part.installation})`, role },
    }
  })
}
