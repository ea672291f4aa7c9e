import { Box } from '@chakra-ui/react'
import { entryRow, type EntryKind } from '@plumb-mark/core'
import type { EntryLine } from '@plumb-mark/contract'
import { SmallPrint, Strong } from '../ui/theme/text.js'
import { whenHere } from '../data/here-time.js'

const MOST = 12

/** Entries of a chain, one a line: who entered what, when. */
export function EntryLines({ title, lines }: { title?: string; lines: readonly EntryLine[] }) {
  return (
    <Box flex="1" minW="260px">
      {title && <Strong mt="4px">{title}</Strong>}
      {lines.slice(0, MOST).map(({ seq, at, by, kind }) => (
        <SmallPrint key={seq} color="text">
          {seq}. {entryRow(kind as EntryKind)?.label ?? kind}, {by}, {whenHere(at)}
        </SmallPrint>
      ))}
      {lines.length > MOST && <SmallPrint>and {lines.length - MOST} more</SmallPrint>}
    </Box>
  )
}
