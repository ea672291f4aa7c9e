import { Button, Flex, HStack, Input } from '@chakra-ui/react'
import { useMutation } from '@tanstack/react-query'
import { BookmarkPlus, X } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { v7 as uuid } from 'uuid'
import type { SavedFilter } from '@plumb-mark/contract'
import { put, remove } from '../data/api.js'
import { useReload, useResource } from '../data/resource.js'
import { Problem } from '../ui/problem.js'
import { Cluster } from '../ui/cluster.js'
import { LinkButton } from '../ui/buttons.js'

const ADDRESS = '/api/filters'

/** Questions that this person gave a name: one touch asks them again. */
export function SavedFilters({ view, asked }: { view: SavedFilter['view']; asked: URLSearchParams }) {
  const reload = useReload()
  const { value: data = [] } = useResource<SavedFilter[]>(ADDRESS)
  const [name, setName] = useState<string>()
  const again = () => reload(ADDRESS)
  const query = withoutPage(asked)
  const keep = useMutation({
    mutationFn: (named: string) => put(`/api/filters/${uuid()}`, { view, name: named, query }),
    onSuccess: () => (setName(undefined), again()),
  })
  const discard = useMutation({
    mutationFn: (id: string) => remove(`/api/filters/${id}`),
    onSuccess: again,
  })
  const mine = data.filter((filter) => filter.view === view)
  const known = mine.some((filter) => filter.query === query)
  if (mine.length === 0 && query === '') return null
  return (
    <Cluster mt="10px" role="group" aria-label="Saved filters">
      {mine.map((filter) => (
        <HStack
          key={filter.id}
          gap="0"
          border="1px solid"
          borderColor={filter.query === query ? 'accent' : 'hair'}
          bg={filter.query === query ? 'accentWash' : 'panel'}
          borderRadius="22px"
          pl="14px"
        >
          <Link to={{ search: filter.query }} aria-current={filter.query === query || undefined}>
            {filter.name}
          </Link>
          <LinkButton
            minW="40px"
            aria-label={`Remove the filter ${filter.name}`}
            onClick={() => discard.mutate(filter.id)}
          >
            <X size={15} />
          </LinkButton>
        </HStack>
      ))}
      {query !== '' && !known && name === undefined && (
        <Button variant="plain" onClick={() => setName('')}>
          <BookmarkPlus size={17} /> Save this filter
        </Button>
      )}
      {name !== undefined && (
        <Flex asChild gap="8px">
          <form onSubmit={(event) => (event.preventDefault(), keep.mutate(name.trim()))}>
            <Input
              aria-label="Name of the filter"
              placeholder="Name of the filter"
              value={name}
              maxLength={60}
              autoFocus
              onChange={({ target }) => setName(target.value)}
            />
            <Button type="submit" disabled={name.trim() === ''}>
              Save
            </Button>
          </form>
        </Flex>
      )}
      {keep.error && <Problem>{keep.error.message}</Problem>}
    </Cluster>
  )
}

function withoutPage(asked: URLSearchParams): string {
  const kept = new URLSearchParams(asked)
  kept.delete('page')
  kept.sort()
  return kept.toString()
}
