import type { BrowserContext } from '@playwright/test'

/**
 * What a hand does at the pages of one or several people: touches, and keys. A field that is filled counts its letters and the key that
 * leads to it; a choice counts the touch that opens it and the one that takes.
 */
export class Effort {
  taps = 0
  keys = 0

  async watch(context: BrowserContext): Promise<void> {
    await context.exposeFunction('countEffort', (taps: number, keys: number) => {
      this.taps += taps
      this.keys += keys
    })
    await context.addInitScript(() => {
      const count = (taps: number, keys: number) =>
        (globalThis as unknown as { countEffort: (taps: number, keys: number) => void }).countEffort(
          taps,
          keys,
        )
      const lettersOf = (event: Event, value: string) =>
        event instanceof InputEvent && event.data ? event.data.length : value.length
      let touched = false
      const on = <K extends keyof DocumentEventMap>(type: K, heard: (event: DocumentEventMap[K]) => void) =>
        document.addEventListener(type, heard, true)
      on('pointerdown', () => {
        touched = true
        count(1, 0)
      })
      on('focusin', ({ target }) => {
        if (!touched && target instanceof HTMLInputElement) count(0, 1)
        touched = false
      })
      on('keydown', ({ key, isTrusted }) => {
        if (isTrusted && key.length > 1) count(0, 1)
      })
      on('input', (event) => {
        const { target } = event
        if (
          target instanceof HTMLSelectElement ||
          (target instanceof HTMLInputElement && target.type === 'file')
        )
          return count(2, 0)
        if (
          target instanceof HTMLTextAreaElement ||
          (target instanceof HTMLInputElement && target.type !== 'checkbox')
        )
          count(0, target.type === 'date' ? 8 : lettersOf(event, target.value))
      })
    })
  }
}
