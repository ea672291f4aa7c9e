import { ANSWER_FAULTS } from '@plumb-mark/practice'

/** A random check of those that a test picks, with the entry that answers it. */
export function pick(site, test) {
  const rows = site
    .inspection()
    .checks.filter(({ check }) => test(check))
    .flatMap(({ check }) =>
      site.entries.filter(({ body }) => body.point === check.point).map((entry) => ({ check, entry })),
    )
  return rows.length > 0 ? site.chance.of(rows) : undefined
}

/** Spoils the answer of a random check of those that can be wrong so. */
const spoil =
  ({ kind, spoilt }) =>
  (site) => {
    const found = pick(site, (check) => check.requirement.kind === kind && can(site, check, spoilt))
    if (found) found.entry.body = spoilt(found.entry.body, found.check)
    return found !== undefined
  }

const can = (site, check, spoilt) =>
  site.entries.some(({ body }) => body.point === check.point && spoilt(body, check) !== undefined)

export const ANSWERS = [
  ...ANSWER_FAULTS.map((fault) => ({
    name: fault.name,
    cause: fault.cause,
    fix: fault.fix,
    plant: spoil(fault),
  })),
  {
    name: 'a photo that the sheet wants was not taken',
    plant: (site) => {
      const found = pick(site, ({ requirement }) => requirement.photo)
      if (found) found.entry.body = { ...found.entry.body, photos: undefined }
      return found !== undefined
    },
  },
  {
    name: 'a check was left out',
    plant: (site) => {
      const found = pick(site, () => true)
      return site.remove((entry) => entry === found.entry)
    },
  },
  {
    name: 'a reading was struck out',
    plant: (site) => {
      const found = pick(site, () => true)
      site.write('evidence-struck', { entryId: found.entry.id, reason: 'misread' })
      return true
    },
  },
  {
    name: 'read again later, and wrong',
    plant: (site) => {
      const found = pick(site, ({ requirement }) => requirement.kind === 'observation')
      site.write('observation', { ...found.entry.body, seen: false })
      return true
    },
  },
]
