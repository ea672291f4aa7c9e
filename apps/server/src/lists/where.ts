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

/** What a search looks for: `match` as the full-text search takes it, or `empty`, with the reason, where there is nothing to look for. */
interface Searched {
  match?: string
  /** One, so that a condition on it finds nothing. */
  empty?: 1
  note?: string
}

/** Each word must be there, or begin a word that is; signs of the search's own language are plain text, and no word by themselves. */
export function searchWords(text: string | undefined): Searched {
  if (text === undefined || text.trim() === '') return {}
  const words = text.match(/[\p{L}\p{N}]+/gu)
  if (words) return { match: words.map((word) => `"${word}"*`).join(' ') }
  return { empty: 1, note: `there is no letter and no figure in “${text.trim().slice(0, 40)}” to look for` }
}
