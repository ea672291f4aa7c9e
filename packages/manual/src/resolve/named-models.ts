import type { ManualText } from '../layout/document.js'
import type { Page } from '../page/page.js'

const NAME = /^[A-Z][\p{L}-]+(?: [A-Z][\p{L}-]+)? \d+(?:[.,]\d+)?[A-Za-z]?$/u

/** The models of a manual: names of one series at the head of columns or rows, and the one that the copy says it belongs to. */
export function namedModels({ blocks, pages }: ManualText): {
  models: readonly string[]
  packedWith: string | undefined
} {
  const lists = blocks.flatMap((block) =>
    block.kind === 'table'
      ? [
          block.heads.flatMap((head) => names(head)),
          block.rows.flatMap(({ fields }) => names(fields[0]?.text ?? '')),
        ]
      : [],
  )
  const models = [...new Set(lists.filter((list) => new Set(list).size > 1).flat())]
  const front = pages
    .slice(0, 2)
    .flatMap(({ items }) => items.map(({ text }) => text))
    .join(' ')
    .replace(/\s+/g, ' ')
  const told =
    /\b(?:belongs to(?: the model)?|delivered with|packed with|supplied with|for the model):?\s*([A-Z][\p{L}-]+ \d+(?:[.,]\d+)?[A-Za-z]?)/iu.exec(
      front,
    )?.[1]
  return { models, packedWith: told ?? (models.length === 0 ? titleModel(pages[0]) : undefined) }
}

const names = (text: string) => {
  const name = /^[A-Z][\p{L}-]+(?: [A-Z][\p{L}-]+)? \d+(?:[.,]\d+)?[A-Za-z]?/u.exec(text)?.[0]
  return name && NAME.test(name) && !/^(?:Table|Figure|Step|Part|Chapter|Class|Note|Page)\b/i.test(name)
    ? [name]
    : []
}
/** What is set largest on the cover, where it reads as a name with a number. */
function titleModel(cover: Page | undefined): string | undefined {
  const items = cover?.items.filter(({ text }) => text.trim() !== '') ?? []
  const largest = Math.max(0, ...items.map(({ size }) => size))
  const title = items
    .filter(({ size }) => size > 0.85 * largest)
    .map(({ text }) => text)
    .join(' ')
  return largest > 15 ? /(?<!\S)[A-Z][\p{Ll}]{2,} \d{1,3}(?:\.\d)?(?!\S)/u.exec(title)?.[0] : undefined
}
