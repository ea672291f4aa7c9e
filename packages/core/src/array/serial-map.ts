import { normaliseLabel, plural } from '../quantity/phrases.js'
import { list, object, requireUniqueIds, refine, text, type Read } from '../shape/shape.js'
import { judged, type Explained, type JudgedVerdict } from '../verdict/verdict.js'

export const serialMapInput = object({
  planned: refine(list(object({ position: text(), serial: text() }), { max: 5000 }), (planned, path) =>
    requireUniqueIds(
      planned.map(({ position }) => ({ id: position })),
      path,
      'position',
    ),
  ),
  reported: list(text(), { mayBeEmpty: true, max: 5000 }),
})
export type SerialMapInput = Read<typeof serialMapInput>

export interface LikelyTypo {
  position: string
  planned: string
  reported: string
}
export interface SerialMapResult extends Explained {
  /** Planned positions whose serial was reported. */
  matched: number
  /** Positions. */
  missing: string[]
  /** Serials, normalised. */
  unknown: string[]
  duplicatePlanned: string[]
  duplicateReported: string[]
  likelyTypos: LikelyTypo[]
  verdict: JudgedVerdict
}

/**
 * Do the devices that report stand where they were planned? Serials are compared without blanks, hyphens and case. A missing and an
 * unknown one that are one edit apart are a likely typo; each is used once, earliest position first. Bad input: nothing planned, a
 * position planned twice. Source: one-edit distance with neighbouring transposition (Damerau).
 */
export function serialMap(input: SerialMapInput): SerialMapResult {
  const given = serialMapInput.read(input, '')
  const planned = given.planned.map(({ position, serial }) => ({ position, serial: normalised(serial) }))
  const reported = given.reported.map(normalised)
  const isReported = new Set(reported)
  const isPlanned = new Set(planned.map(({ serial }) => serial))
  const absent = planned.filter(({ serial }) => !isReported.has(serial))
  const unknown = [...isReported].filter((serial) => !isPlanned.has(serial))
  const duplicatePlanned = twice(planned.map(({ serial }) => serial))
  const duplicateReported = twice(reported)
  const likelyTypos = pairUp(absent, unknown)
  const right =
    absent.length === 0 &&
    unknown.length === 0 &&
    duplicatePlanned.length === 0 &&
    duplicateReported.length === 0
  return {
    matched: planned.length - absent.length,
    missing: absent.map(({ position }) => position),
    unknown,
    duplicatePlanned,
    duplicateReported,
    likelyTypos,
    verdict: judged(right),
    working: [
      `${planned.length - absent.length} of ${planned.length} planned serials reported`,
      ...(absent.length > 0
        ? [
            `${plural(absent.length, 'position does', 'positions do')} not report: ${absent.map(({ position }) => position).join(', ')}`,
          ]
        : []),
      ...(unknown.length > 0 ? [`not planned: ${unknown.join(', ')}`] : []),
    ],
    notes: likelyTypos.map(
      ({ position, planned: wanted, reported: found }) =>
        `${position}: ${found} looks like a slip for ${wanted}; read the label again`,
    ),
  }
}

const normalised = normaliseLabel

function twice(serials: readonly string[]): string[] {
  const seen = new Set<string>()
  const again = new Set<string>()
  for (const serial of serials) (seen.has(serial) ? again : seen).add(serial)
  return [...again]
}

function pairUp(
  absent: readonly { position: string; serial: string }[],
  unknown: readonly string[],
): LikelyTypo[] {
  const free = new Set(unknown)
  return absent.flatMap(({ position, serial }) => {
    const slip = [...free].find((reported) => oneEditApart(serial, reported))
    if (slip === undefined) return []
    free.delete(slip)
    return [{ position, planned: serial, reported: slip }]
  })
}

/** One substitution, insertion, deletion or neighbouring transposition: beyond the common start and end only that may differ. */
export function oneEditApart(a: string, b: string): boolean {
  if (a === b || Math.abs(a.length - b.length) > 1) return false
  let start = 0
  while (start < Math.min(a.length, b.length) && a[start] === b[start]) start++
  const [restA, restB] = [a.slice(start), b.slice(start)]
  if (a.length !== b.length) return a.length > b.length ? restA.slice(1) === restB : restB.slice(1) === restA
  const swapped = restA[0] === restB[1] && restA[1] === restB[0] && restA.slice(2) === restB.slice(2)
  return restA.slice(1) === restB.slice(1) || (restA.length > 1 && swapped)
}
