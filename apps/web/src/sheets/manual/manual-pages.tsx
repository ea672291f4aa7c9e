import { Box, Button, Flex, Input, Text } from '@chakra-ui/react'
import { ChevronLeft, ChevronRight, ZoomIn, ZoomOut } from 'lucide-react'
import { useEffect, useMemo, useRef, useState } from 'react'
import type { Fact, ReadFile } from '@plumb-mark/manual'
import { PagePicture, type PageMark } from '../../manuals/page-picture.js'
import { usePages } from '../../manuals/use-pages.js'
import { PageStrip } from './page-strip.js'
import { SmallMono } from '../../ui/theme/text.js'

const ZOOMS = [1, 1.35, 1.8, 2.5]

/** The pages of the manual: that of the chosen fact, or the one turned to, large; all of them small beside it. */
export function ManualPages({
  file,
  password,
  pages,
  facts,
  chosen,
  onChoose,
  onMark,
}: {
  file: File
  password: string | undefined
  pages: ReadFile['pages']
  facts: readonly Fact[]
  chosen: number | undefined
  onChoose: (fact: number) => void
  onMark: (page: number, box: PageMark['box']) => void
}) {
  const { document } = usePages({ file, password })
  const room = useRef<HTMLDivElement>(null)
  const width = useWidth(room)
  const [zoom, setZoom] = useState(0)
  const [turned, setTurned] = useState<number>()
  const [search, setSearch] = useState('')
  const found = useMemo(() => pagesWith(search, pages), [search, pages])
  // The chosen one may have gone with an undo.
  const number = turned ?? (chosen === undefined ? undefined : facts[chosen]?.page) ?? 1
  // Another fact was chosen: its page is what is asked for.
  useEffect(() => setTurned(undefined), [chosen])
  const marks = facts.flatMap((fact, index) =>
    fact.page === number ? [{ index, label: fact.subject, box: fact.box }] : [],
  )
  return (
    <Flex direction="column" minH={{ base: '30dvh', lg: 0 }} maxH={{ base: '44dvh', lg: 'none' }} bg="sunk">
      <Flex layerStyle="ruleBelow" align="center" gap="6px" px="10px" py="4px" bg="panel">
        <Button
          variant="plain"
          aria-label="Page before"
          disabled={number <= 1}
          onClick={() => setTurned(number - 1)}
        >
          <ChevronLeft size={18} />
        </Button>
        <SmallMono whiteSpace="nowrap" role="status">
          page {number} of {pages.length}
        </SmallMono>
        <Button
          variant="plain"
          aria-label="Next page"
          disabled={number >= pages.length}
          onClick={() => setTurned(number + 1)}
        >
          <ChevronRight size={18} />
        </Button>
        <Input
          flex="1 1 90px"
          minW={0}
          maxW="220px"
          mx="auto"
          type="search"
          aria-label="Search in the manual"
          placeholder="Search"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          onKeyDown={(event) => {
            const next = event.key === 'Enter' && found && nextIn(found, number)
            if (next) setTurned(next)
          }}
        />
        {found && (
          <Text fontSize="13px" role="status">
            {found.size === 0 ? 'not found' : `${found.size} ${found.size === 1 ? 'page' : 'pages'}`}
          </Text>
        )}
        <Button variant="plain" aria-label="Smaller" disabled={zoom === 0} onClick={() => setZoom(zoom - 1)}>
          <ZoomOut size={18} />
        </Button>
        <Button
          variant="plain"
          aria-label="Larger"
          disabled={zoom === ZOOMS.length - 1}
          onClick={() => setZoom(zoom + 1)}
        >
          <ZoomIn size={18} />
        </Button>
      </Flex>
      <Flex flex="1" minH={0}>
        {document && pages.length > 1 && (
          <PageStrip document={document} pages={pages} shown={number} found={found} onTurn={setTurned} />
        )}
        <Box ref={room} flex="1" minW={0} minH={0} overflow="auto" p="12px">
          {document && width > 0 && (
            <PagePicture
              document={document}
              number={number}
              width={Math.round((width - 24) * ZOOMS[zoom]!)}
              marks={marks}
              chosen={chosen}
              onChoose={onChoose}
              onMark={(box) => onMark(number, box)}
            />
          )}
        </Box>
      </Flex>
    </Flex>
  )
}

/** The pages that have the words; undefined while there are none to look for. */
function pagesWith(search: string, pages: ReadFile['pages']): ReadonlySet<number> | undefined {
  const words = search.trim().toLowerCase()
  if (words === '') return undefined
  return new Set(pages.flatMap((page) => (page.words.toLowerCase().includes(words) ? [page.number] : [])))
}

/** The next of some pages, round the end. */
const nextIn = (found: ReadonlySet<number>, from: number): number | undefined =>
  [...found].find((page) => page > from) ?? [...found][0]

function useWidth(of: React.RefObject<HTMLDivElement | null>): number {
  const [width, setWidth] = useState(0)
  useEffect(() => {
    if (!of.current) return
    const watch = new ResizeObserver(([entry]) => setWidth(Math.floor(entry!.contentRect.width + 24)))
    watch.observe(of.current)
    return () => watch.disconnect()
  }, [of])
  return width
}
