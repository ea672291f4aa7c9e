import { Box, Flex, Heading, Image, Text, chakra } from '@chakra-ui/react'
import { QRCodeSVG } from 'qrcode.react'
import type { Block, Cell } from '@plumb-mark/report'
import { Note, PartHeading, SmallMono } from '../ui/theme/text.js'
import { VerdictMark, VerdictShape, verdictColour } from '../ui/verdict-mark.js'
import { useInspection } from '../job/inspection.js'
import { usePhotoAddress } from '../offline/photos.js'
import { Cluster } from '../ui/cluster.js'

const Together = chakra('section', { base: { breakInside: 'avoid' } })

const AS = {
  lead: { fontSize: '19px' },
  quiet: { color: 'faint', fontSize: '14px' },
  danger: { color: 'danger', fontWeight: 600 },
} as const

/** A block of a report on the screen, and on paper when the page is printed. */
export function Shown({ block }: { block: Block }) {
  switch (block.kind) {
    case 'heading':
      return (
        <Heading as="h3" fontSize="18px" fontFamily="body" mt="14px" mb="4px" breakAfter="avoid">
          {block.text}
        </Heading>
      )
    case 'text':
      return (
        <Text my="6px" {...(block.as && AS[block.as])}>
          {block.text}
        </Text>
      )
    case 'verdict':
      return block.text === '' ? null : (
        <Flex gap="10px" align="center" my="10px" color={verdictColour(block.verdict)}>
          <VerdictShape verdict={block.verdict} size={26} />
          <PartHeading as="p">{block.text}</PartHeading>
        </Flex>
      )
    case 'list':
      return (
        <chakra.ul pl="22px" my="6px" listStyleType="disc">
          {block.items.map((item, i) => (
            <li key={i}>{item}</li>
          ))}
        </chakra.ul>
      )
    case 'facts':
      return (
        <Facts>
          {block.rows.map(([label, value]) => (
            <chakra.div key={label} display="contents">
              <dt>{label}</dt>
              <dd>
                <InCell cell={value} />
              </dd>
            </chakra.div>
          ))}
        </Facts>
      )
    case 'table':
      return <Table block={block} />
    case 'drawing':
      return (
        <chakra.figure my="10px" breakInside="avoid">
          <Image
            src={`data:image/svg+xml,${encodeURIComponent(block.svg)}`}
            alt={block.alt}
            w="100%"
            maxH="640px"
            objectFit="contain"
            bg="white"
          />
          {block.caption && <Note as="figcaption">{block.caption}</Note>}
        </chakra.figure>
      )
    case 'photos':
      return (
        <Cluster my="8px">
          {block.photos.map(({ photo, label }) => (
            <Photo key={photo.id} id={photo.id} words={[label, photo.caption].filter(Boolean).join(': ')} />
          ))}
        </Cluster>
      )
    case 'together':
      return (
        <Together>
          {block.blocks.map((one, i) => (
            <Shown key={i} block={one} />
          ))}
        </Together>
      )
    case 'image':
      return (
        <Image
          src={block.data}
          alt={block.alt}
          maxH={block.wide ? undefined : `${block.height}px`}
          w={block.wide ? '100%' : undefined}
          bg="white"
          my="8px"
        />
      )
    case 'code':
      return (
        <Cluster gap="14px" my="10px">
          <Box bg="white" p="8px">
            <QRCodeSVG value={block.address} size={120} />
          </Box>
          <Box minW={0}>
            <Text>{block.caption}</Text>
            <SmallMono overflowWrap="anywhere">{block.address}</SmallMono>
          </Box>
        </Cluster>
      )
  }
}

const Facts = chakra('dl', {
  base: {
    display: 'grid',
    gridTemplateColumns: { base: '96px 1fr', md: '130px 1fr' },
    '& dt': { color: 'faint', fontSize: '14px', py: '5px', borderBottom: '1px solid', borderColor: 'hair' },
    '& dd': { py: '5px', borderBottom: '1px solid', borderColor: 'hair', minW: 0, overflowWrap: 'anywhere' },
  },
})

const Rows = chakra('table', {
  base: {
    w: '100%',
    borderCollapse: 'collapse',
    fontSize: '15px',
    '& th': { textAlign: 'left', color: 'faint', fontWeight: 400, fontSize: '13px', verticalAlign: 'bottom' },
    '& th, & td': { pr: '10px', py: '4px', borderBottom: '1px solid', borderColor: 'hair' },
    '& td': { verticalAlign: 'top' },
    '& tr': { breakInside: 'avoid' },
    '@media print': { fontSize: '8.5pt' },
  },
})

function Table({ block: { columns, rows } }: { block: Extract<Block, { kind: 'table' }> }) {
  return (
    <Box overflowX="auto" my="6px" tabIndex={0} role="group" aria-label={`Table: ${columns[0]?.head ?? ''}`}>
      <Rows minW={`${Math.min(columns.length * 84, 900)}px`}>
        <thead>
          <tr>
            {columns.map(({ head }, i) =>
              head ? (
                <th key={i} scope="col">
                  {head}
                </th>
              ) : (
                <td key={i} />
              ),
            )}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i}>
              {row.map((cell, k) => (
                <td key={k}>
                  <InCell cell={cell} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Rows>
    </Box>
  )
}

const MARKED = {
  figure: { fontFamily: 'mono', fontSize: '0.94em' },
  strong: { fontWeight: 600 },
  quiet: { color: 'faint' },
  danger: { color: 'danger', fontWeight: 600 },
} as const

function InCell({ cell }: { cell: Cell }) {
  if (typeof cell === 'string') return cell
  if (isLines(cell))
    return cell.map((line, i) => (
      <Box key={i}>
        <InCell cell={line} />
      </Box>
    ))
  if ('verdict' in cell) return <VerdictMark verdict={cell.verdict} />
  if ('line' in cell) return cell.line.map((one, i) => <InCell key={i} cell={one} />)
  return <chakra.span {...MARKED[cell.as]}>{cell.text}</chakra.span>
}

const isLines = (cell: Cell): cell is readonly Cell[] => Array.isArray(cell)

function Photo({ id, words }: { id: string; words: string }) {
  const address = usePhotoAddress(
    useInspection(({ jobId }) => jobId),
    id,
    true,
  )
  return (
    <chakra.figure w="220px" breakInside="avoid">
      <Image src={address} alt={words} w="220px" h="165px" objectFit="cover" bg="sunk" />
      <Note as="figcaption">{words}</Note>
    </chakra.figure>
  )
}
