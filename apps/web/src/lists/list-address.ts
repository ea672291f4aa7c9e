import { useSearchParams } from 'react-router'

/** How many rows a page of a list has. */
export const PAGE = 50

/**
 * What a list is asked stands in the address: it can be kept, sent to somebody, and gone back to. Whoever asks something else starts at the
 * first page.
 */
export function useListAddress(): {
  asked: URLSearchParams
  /** The question as the server takes it, with the page. */
  query: string
  value: (name: string) => string
  ask: (change: Readonly<Record<string, string | undefined>>) => void
  page: number
  turnTo: (page: number) => void
} {
  const [asked, setAsked] = useSearchParams()
  const page = Math.max(1, Number(asked.get('page') ?? 1) || 1)
  const query = new URLSearchParams(asked)
  query.delete('page')
  query.set('limit', String(PAGE))
  query.set('offset', String((page - 1) * PAGE))
  const changed = (change: Readonly<Record<string, string | undefined>>) =>
    setAsked(
      (before) => {
        const next = new URLSearchParams(before)
        for (const [name, value] of Object.entries(change))
          if (value) next.set(name, value)
          else next.delete(name)
        return next
      },
      { replace: true },
    )
  return {
    asked,
    query: query.toString(),
    value: (name) => asked.get(name) ?? '',
    ask: (change) => changed({ ...change, page: undefined }),
    page,
    turnTo: (next) => changed({ page: next > 1 ? String(next) : undefined }),
  }
}
