import { create } from 'zustand'
import type { Answer } from '@plumb-mark/core'

interface DraftAnswer {
  checkId: string | undefined
  answer: Answer | undefined
  show(checkId: string | undefined, answer: Answer | undefined): void
}

/** What is being answered just now, so that the picture can follow every keystroke. */
export const useDraftAnswer = create<DraftAnswer>((set) => ({
  checkId: undefined,
  answer: undefined,
  show: (checkId, answer) => set({ checkId, answer }),
}))
