/** As a `datetime-local` field takes it, in the time zone of this device. */
export function localMinute(date: Date): string {
  const two = (n: number) => String(n).padStart(2, '0')
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}T${two(date.getHours())}:${two(date.getMinutes())}`
}

/** "Thu 26 Nov 2026" */
export const dayWords = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
  })

/** "08:00–11:30", with the end's own day when it is another. */
export function hourWords(start: string, end: string): string {
  const hour = (iso: string) =>
    new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
  return `${hour(start)}–${dayWords(start) === dayWords(end) ? '' : `${dayWords(end)} `}${hour(end)}`
}

/** "2 h 45 min" */
export function durationWords(minutes: number): string {
  const whole = Math.round(minutes)
  const [hours, rest] = [Math.floor(whole / 60), whole % 60]
  return [hours > 0 ? `${hours} h` : '', rest > 0 || hours === 0 ? `${rest} min` : '']
    .filter(Boolean)
    .join(' ')
}
