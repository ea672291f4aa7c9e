/** Conditions of a list, put together with their values: what a caller sends is a value in every one of them, never text of the statement. */
export class Where {
  private readonly conditions: string[] = []
  readonly values: (string | number)[] = []

  /** Adds a condition when there is something to compare with. */
  and(condition: string, ...values: (string | number | undefined)[]): this {
    const given = values.filter((value) => value !== undefined)
    if (given.length < values.length) return this
    this.conditions.push(condition)
    this.values.push(...given)
    return this
  }

  get sql(): string {
    return this.conditions.length === 0 ? '' : `WHERE ${this.conditions.join(' AND ')}`
  }
}

/** Words as the full-text search takes them: each must be there, or begin a word that is; signs of its own language are plain text. */
export function searchWords(text: string | undefined): string | undefined {
  const words = text?.match(/[\p{L}\p{N}]+/gu)
  return words ? words.map((word) => `"${word}"*`).join(' ') : undefined
}
