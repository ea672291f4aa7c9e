import { create } from 'zustand'
import type { CalculatorName } from '@plumb-mark/core'

type Draft = Record<string, unknown>
export interface KeptDraft {
  name: string
  draft: Draft
}
const KEY = 'plumb-mark-calculators'
const MOST_RECENT = 5

interface Kept {
  /** Saved under a name. */
  presets: Partial<Record<CalculatorName, KeptDraft[]>>
  /** Worked out lately, the latest first. */
  recent: Partial<Record<CalculatorName, KeptDraft[]>>
}
interface Recent extends Kept {
  remember(calculator: CalculatorName, draft: Draft): void
  save(calculator: CalculatorName, name: string, draft: Draft): void
  remove(calculator: CalculatorName, name: string): void
}

function read(): Kept {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Kept>
    return { presets: kept.presets ?? {}, recent: kept.recent ?? {} }
  } catch {
    return { presets: {}, recent: {} }
  }
}

const same = (a: Draft, b: Draft) => JSON.stringify(a) === JSON.stringify(b)

/** What this device was asked before: presets under a name, and the last few. */
export const useRecent = create<Recent>((set, get) => {
  const keep = (next: Kept) => {
    localStorage.setItem(KEY, JSON.stringify(next))
    set(next)
  }
  return {
    ...read(),
    remember(calculator, draft) {
      const { presets, recent } = get()
      const others = (recent[calculator] ?? []).filter((one) => !same(one.draft, draft))
      const name = new Date().toISOString()
      keep({
        presets,
        recent: { ...recent, [calculator]: [{ name, draft }, ...others].slice(0, MOST_RECENT) },
      })
    },
    save(calculator, name, draft) {
      const { presets, recent } = get()
      const others = (presets[calculator] ?? []).filter((one) => one.name !== name)
      keep({ recent, presets: { ...presets, [calculator]: [...others, { name, draft }] } })
    },
    remove(calculator, name) {
      const { presets, recent } = get()
      const left = (presets[calculator] ?? []).filter((one) => one.name !== name)
      keep({ recent, presets: { ...presets, [calculator]: left } })
    },
  }
})
