/** A visit to a site: when, and who goes. Times are ISO 8601. */
export interface Visit {
  id: string
  jobId: string
  start: string
  end: string
  people: { id: string; name: string }[]
  purpose: string
}

export interface Clash {
  visit: Visit
  /** Who would have to be in two places. */
  people: { id: string; name: string }[]
}

/** The visits that somebody of this one is already booked for at the time; visits that only touch do not clash. */
export function clashes(planned: Visit, others: readonly Visit[]): Clash[] {
  const [from, to] = [Date.parse(planned.start), Date.parse(planned.end)]
  return others.flatMap((visit) => {
    if (visit.id === planned.id || Date.parse(visit.start) >= to || Date.parse(visit.end) <= from) return []
    const people = visit.people.filter(({ id }) => planned.people.some((person) => person.id === id))
    return people.length > 0 ? [{ visit, people }] : []
  })
}
