/** What tells the revisions of a model apart. */
export interface Revision {
  id: string
  maker: string
  model: string
  revision: string
  /** ISO date. */
  date: string
}

/** The revisions of the same model besides this one, in the order of the library. */
export function otherRevisions<R extends Revision>(id: string, library: readonly R[]): R[] {
  const mine = library.find((one) => one.id === id)
  return mine
    ? library.filter((one) => one.id !== id && one.maker === mine.maker && one.model === mine.model)
    : []
}

/** The latest revision of the same model, where it is later than the one in use; of one day the one in use stays. */
export function newerRevision<R extends Revision>(id: string, library: readonly R[]): R | undefined {
  const mine = library.find((one) => one.id === id)
  const [latest] = otherRevisions(id, library).sort((a, b) => b.date.localeCompare(a.date))
  return mine && latest && latest.date > mine.date ? latest : undefined
}
