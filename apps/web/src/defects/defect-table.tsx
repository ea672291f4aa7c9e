import { Box, Text, chakra } from '@chakra-ui/react'
import { createColumnHelper, flexRender, getCoreRowModel, useReactTable } from '@tanstack/react-table'
import { Link } from 'react-router'
import type { DefectRow } from '@plumb-mark/contract'
import { Note, SmallMono, SmallPrint } from '../ui/theme/text.js'
import { dayHere } from '../data/here-time.js'
import { Due } from '../ui/due.js'

const column = createColumnHelper<DefectRow>()
const COLUMNS = [
  column.accessor('severity', {
    header: 'Severity',
    cell: ({ row: { original } }) => (
      <Text
        color={original.severity === 'stop' || original.severity === 'major' ? 'danger' : 'faint'}
        fontWeight={original.severity === 'stop' ? 700 : 600}
      >
        {original.severity}
        <SmallPrint as="span" display="block" fontWeight={400}>
          {original.state}
        </SmallPrint>
      </Text>
    ),
  }),
  column.accessor('title', {
    header: 'Defect',
    cell: ({ row: { original } }) => (
      <>
        <Link to={`/jobs/${original.jobId}/defects`}>{original.title}</Link>
        <Note>
          {original.place}: {original.finding}
        </Note>
        <Due day={original.due} over={original.overdue} responsible={original.responsible} say={dayHere} />
      </>
    ),
  }),
  column.accessor('model', {
    header: 'Maker, model, clause',
    cell: ({ row: { original } }) => (
      <>
        {original.maker} {original.model}
        <SmallPrint>
          {[
            original.revision && `revision ${original.revision}`,
            original.clause && `clause ${original.clause}`,
          ]
            .filter(Boolean)
            .join(', ')}
        </SmallPrint>
      </>
    ),
  }),
  column.accessor('number', {
    header: 'Job',
    cell: ({ row: { original } }) => (
      <>
        <SmallMono>{original.number}</SmallMono>
        <SmallPrint>{original.job}</SmallPrint>
      </>
    ),
  }),
  column.accessor('raisedAt', {
    header: 'Raised',
    cell: ({ getValue, row: { original } }) => (
      <>
        <SmallMono whiteSpace="nowrap">{dayHere(getValue())}</SmallMono>
        <SmallPrint>{original.raisedBy}</SmallPrint>
      </>
    ),
  }),
]

const Cell = chakra('td', {
  base: {
    py: '12px',
    pr: '16px',
    verticalAlign: 'top',
    display: { base: 'block', md: 'table-cell' },
    pb: { base: '2px', md: '12px' },
    pt: { base: '2px', md: '12px' },
  },
})
const Line = chakra('tr', {
  base: {
    borderBottom: '1px solid',
    borderColor: 'hair',
    display: { base: 'block', md: 'table-row' },
    py: { base: '10px', md: '0' },
  },
})

/** One line a defect; on a phone each line becomes a small paragraph. */
export function DefectTable({ defects, total }: { defects: DefectRow[]; total: number }) {
  const table = useReactTable({ data: defects, columns: COLUMNS, getCoreRowModel: getCoreRowModel() })
  return (
    <Box mt="18px">
      <chakra.table w="100%" borderTop="2px solid" borderColor="text">
        <chakra.caption textAlign="left" fontWeight={600} fontSize="17px" pb="8px">
          {total === 1 ? 'One defect' : `${total} defects`}
        </chakra.caption>
        <chakra.thead hideBelow="md">
          {table.getHeaderGroups().map((group) => (
            <tr key={group.id}>
              {group.headers.map((header) => (
                <chakra.th
                  key={header.id}
                  scope="col"
                  textAlign="left"
                  py="8px"
                  color="faint"
                  fontWeight={600}
                  fontSize="15px"
                >
                  {flexRender(header.column.columnDef.header, header.getContext())}
                </chakra.th>
              ))}
            </tr>
          ))}
        </chakra.thead>
        <tbody>
          {table.getRowModel().rows.map((row) => (
            <Line key={row.id}>
              {row.getVisibleCells().map((cell) => (
                <Cell key={cell.id}>{flexRender(cell.column.columnDef.cell, cell.getContext())}</Cell>
              ))}
            </Line>
          ))}
        </tbody>
      </chakra.table>
    </Box>
  )
}
