import type { Models } from '../finders/prose.js'

/**
 * The models that a manual speaks of, by the one that is read for: a name with a number, so that the others of its series have the same
 * word with another. Without a chosen model every mention is kept apart.
 */
export function modelsOf(
  chosen: string | undefined,
  listed: readonly string[],
): Models & { all: readonly string[] } {
  const own = split(chosen ?? listed[0] ?? '')
  const mention =
    own && new RegExp(`(?:\\b${escaped(own.series)}|\\bthe)\\s+(\\d+(?:[.,]\\d+)?[A-Za-z]?)\\b`, 'gi')
  // “10k” can be nothing but the model; “8” could be anything.
  const lettered = listed
    .flatMap((name) => split(name)?.number ?? [])
    .filter((number) => /[A-Za-z]/.test(number))
  const alone =
    lettered.length > 0
      ? new RegExp(`(?<![\\w.])(?:${lettered.map(escaped).join('|')})(?![\\w.])`, 'g')
      : undefined
  return {
    all: listed,
    namedIn(text) {
      if (!own || !mention) return undefined
      const series = new RegExp(`\\b${escaped(own.series)}\\b`, 'i').test(text)
      const numbers = [...text.matchAll(mention)].filter(
        ([whole, number]) =>
          !/^the/i.test(whole) || (series && listed.some((name) => split(name)?.number === number)),
      )
      const bare = alone ? [...text.matchAll(alone)].at(-1) : undefined
      const last = numbers.at(-1)
      if (bare && (!last || bare.index > last.index)) return `${own.series} ${bare[0]}`
      return last && `${own.series} ${last[1]!}`
    },
  }
}

const split = (name: string) => {
  const found = /^(.*\S)\s+(\d+(?:[.,]\d+)?[A-Za-z]?)$/.exec(name.trim())
  return found ? { series: found[1]!, number: found[2]! } : undefined
}
const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')

export const isSameModel = (a: string, b: string) =>
  a.toLowerCase().replace(/[^\p{L}\p{N}.]/gu, '') === b.toLowerCase().replace(/[^\p{L}\p{N}.]/gu, '')
