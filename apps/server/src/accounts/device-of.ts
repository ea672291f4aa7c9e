/** By which words a browser and a system name themselves, the more particular first. */
const BROWSERS = [
  ['Edg/', 'Edge'],
  ['Firefox/', 'Firefox'],
  ['Chrome/', 'Chrome'],
  ['Safari/', 'Safari'],
] as const
const SYSTEMS = [
  ['iPad', 'iPad'],
  ['iPhone', 'iPhone'],
  ['Android', 'Android'],
  ['Windows', 'Windows'],
  ['Mac OS', 'Mac'],
  ['Linux', 'Linux'],
] as const

/** On what a session was opened, as its owner would call it; a hint, since every program may call itself what it likes. */
export function deviceOf(userAgent = ''): string {
  const named = (list: readonly (readonly [string, string])[]) =>
    list.find(([sign]) => userAgent.includes(sign))?.[1]
  const parts = [named(BROWSERS), named(SYSTEMS)].filter((part) => part !== undefined)
  return parts.length === 0 ? 'another program' : parts.join(' on ')
}
