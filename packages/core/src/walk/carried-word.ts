import type { Answer } from '../answer/forms.js'
import type { DeviceWord } from '../device/word.js'

/** What a part of an answer says, so that it can be seen whether it is still what a device said. */
function partOf(answer: Answer, part: string): string | undefined {
  if ('chosen' in answer) return answer.chosen
  if ('values' in answer && !Array.isArray(answer.values))
    return (answer.values as Record<string, { typed: string } | undefined>)[part]?.typed
  if ('done' in answer)
    return (answer.done as readonly (string | { id: string; at: string })[])
      .filter((one) => typeof one !== 'string')
      .find(({ id }) => id === part)?.at
  return undefined
}

/**
 * What of an answer is still a device's word when somebody goes on with it: the parts that stand as the device gave them, and those that
 * it gave just now. What a person changed is the person's word from then on.
 */
export function carriedWord(
  before: { answer: Answer; word?: DeviceWord | undefined } | undefined,
  answer: Answer,
  fresh?: DeviceWord,
): DeviceWord | undefined {
  const old = before?.word
  if (!old || (fresh && fresh.device.id !== old.device.id)) return fresh
  const told = new Set(fresh?.points.map(({ part }) => part))
  const kept = old.points.filter(
    ({ part }) =>
      !told.has(part) &&
      partOf(answer, part) !== undefined &&
      partOf(answer, part) === partOf(before.answer, part),
  )
  const points = [...kept, ...(fresh?.points ?? [])]
  return points.length > 0 ? { ...(fresh ?? old), points } : undefined
}
