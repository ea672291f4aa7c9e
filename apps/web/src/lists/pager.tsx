import { Button, Flex } from '@chakra-ui/react'
import { PAGE } from './list-address.js'
import { Faint } from '../ui/theme/text.js'

/** Which part of a list is shown, and the ways to the others. */
export function Pager({
  page,
  total,
  onTurn,
}: {
  page: number
  total: number
  onTurn: (page: number) => void
}) {
  if (total <= PAGE && page === 1) return null
  const last = Math.max(1, Math.ceil(total / PAGE))
  return (
    <Flex as="nav" aria-label="Pages" align="center" gap="12px" py="14px" justify="flex-end">
      <Faint>
        {Math.min((page - 1) * PAGE + 1, total)} to {Math.min(page * PAGE, total)} of {total}
      </Faint>
      <Button variant="outline" disabled={page <= 1} onClick={() => onTurn(page - 1)}>
        Previous
      </Button>
      <Button variant="outline" disabled={page >= last} onClick={() => onTurn(page + 1)}>
        Next
      </Button>
    </Flex>
  )
}
