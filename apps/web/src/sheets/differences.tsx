import { Text } from '@chakra-ui/react'
import { differenceWords, sheetDifferences, type Sheet } from '@plumb-mark/core'
import { Item } from '../ui/list.js'

const MARK = { added: '+', removed: '−', changed: '≠' } as const
const COLOUR = { added: 'accent', removed: 'danger', changed: 'unproven' } as const

/** How two revisions differ, as a reader would want it. */
export function Differences({ before, after }: { before: Sheet; after: Sheet }) {
  const found = sheetDifferences(before, after)
  if (found.length === 0) return <Text>Nothing that is asked for differs.</Text>
  return (
    <ul aria-label={`Differences from revision ${before.revision} to ${after.revision}`}>
      {found.map((difference) => {
        const words = differenceWords(difference)
        return (
          <Item key={words} display="flex" gap="12px" lineHeight={1.35}>
            <Text
              as="span"
              w="18px"
              fontFamily="mono"
              fontWeight={700}
              color={COLOUR[difference.kind]}
              aria-label={difference.kind}
            >
              {MARK[difference.kind]}
            </Text>
            <Text as="span" flex="1" overflowWrap="anywhere">
              {words}
            </Text>
          </Item>
        )
      })}
    </ul>
  )
}
