/** Ligatures opened, soft blanks made blanks, doubled ones one. A soft hyphen at the end stays: it says that the word goes on. */
export function cleaned(text: string): string {
  return text
    .replace(/[\ufb00-\ufb06]/g, (ligature) => LIGATURES[ligature] ?? ligature)
    .replace(/\u00ad(?!\s*$)/g, '')
    .replace(/[\u2002\u2003\u2028\t]/g, ' ')
    .replace(/ {2,}/g, ' ')
    .trim()
}
const LIGATURES: Record<string, string> = {
  '\ufb00': 'ff',
  '\ufb01': 'fi',
  '\ufb02': 'fl',
  '\ufb03': 'ffi',
  '\ufb04': 'ffl',
  '\ufb05': 'ft',
  '\ufb06': 'st',
}

/** Two lines of one paragraph as one text. `known` are the words of the whole document: they tell a parted word from a hyphened one. */
export function joined(upper: string, lower: string, known: ReadonlySet<string>): string {
  if (/\u00ad$/.test(upper)) return upper.slice(0, -1) + lower
  const parted = /([\p{L}]+)-$/u.exec(upper)
  const next = /^([\p{Ll}]+)/u.exec(lower)
  if (parted && next) {
    const whole = (parted[1]! + next[1]!).toLowerCase()
    const hyphened = `${parted[1]}-${next[1]}`.toLowerCase()
    return known.has(whole) && !known.has(hyphened) ? upper.slice(0, -1) + lower : upper + lower
  }
  if (/[–-]$/.test(upper) && /^\d/.test(lower)) return upper + lower
  return `${upper} ${lower}`
}
