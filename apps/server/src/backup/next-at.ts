/** The next moment at which the clock of the machine shows a time (`02:30`), after `now`. */
export function nextAt(time: string, now: Date): Date {
  const [hours = 0, minutes = 0] = time.split(':').map(Number)
  const next = new Date(now)
  next.setHours(hours, minutes, 0, 0)
  if (next <= now) next.setDate(next.getDate() + 1)
  return next
}
