import type { ManualText } from '../layout/document.js'

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
  return { models, packedWith: told ?? (models.length === 0 ? titleModel(front) : undefined) }
}

const names = (text: string) => {
  const name = /^[A-Z][\p{L}-]+(?: [A-Z][\p{L}-]+)? \d+(?:[.,]\d+)?[A-Za-z]?/u.exec(text)?.[0]
  return name && NAME.test(name) && !/^(?:Table|Figure|Step|Part|Chapter|Class|Note|Page)\b/i.test(name)
    ? [name]
    : []
}
const titleModel = (front: string) => /\b[A-Z][\p{Ll}]{2,} \d{1,3}(?:\.\d)?\b/u.exec(front)?.[0]
