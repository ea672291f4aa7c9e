import { Box, Text, chakra } from '@chakra-ui/react'
import { createColumnHelper, flexRender, getCoreRowModel, useReactTable } from '@tanstack/react-table'
import { format } from 'date-fns'
import { AUDIT_ACTIONS, type AuditLine, type AuditPage } from '@plumb-mark/contract'
import { useResource } from '../data/resource.js'
import { useListAddress } from '../lists/list-address.js'
import { Pager } from '../lists/pager.js'
import { SearchField } from '../lists/search-field.js'
import { Note } from '../ui/theme/text.js'
import { ChoiceField, optionsOf, type Option } from '../ui/choice-field.js'
import { Problem } from '../ui/problem.js'
import { Cluster } from '../ui/cluster.js'

const Plain = chakra('span', { base: { whiteSpace: 'nowrap' } })
const column = createColumnHelper<AuditLine>()
const COLUMNS = [
  column.accessor('at', {
    header: 'When',
    cell: ({ getValue }) => <Plain>{format(new Date(getValue()), 'yyyy-MM-dd HH:mm:ss')}</Plain>,
  }),
  column.accessor('action', {
    header: 'What',
    cell: ({ getValue }) => <Plain fontWeight={700}>{getValue()}</Plain>,
  }),
  column.accessor('person', { header: 'Who', cell: ({ getValue }) => getValue() || 'nobody signed in' }),
  column.accessor((line) => [line.detail, line.subject].filter(Boolean).join(' · '), {
    header: 'About',
    id: 'about',
  }),
  column.accessor('address', { header: 'From', cell: ({ getValue }) => <Plain>{getValue()}</Plain> }),
]
const ACTIONS: Option[] = [['', 'anything'], ...optionsOf(AUDIT_ACTIONS, (action) => action)]

/** On a phone each line becomes a small paragraph. */
const Cell = chakra('td', {
  base: {
    display: { base: 'block', md: 'table-cell' },
    py: { base: '2px', md: '9px' },
    pr: '14px',
    verticalAlign: 'top',
    fontSize: '14px',
    overflowWrap: 'anywhere',
  },
})

/** Who came in, who was refused, what left and what was decided: to be read and narrowed, by nobody to be changed. */
export function AuditList() {
  const address = useListAddress()
  const { value, ask, query, page, turnTo } = address
  const { value: data, problem } = useResource<AuditPage>(`/api/office/audit?${query}`, {
    keepsPrevious: true,
  })
  const table = useReactTable({
    data: data?.rows ?? [],
    columns: COLUMNS,
    getCoreRowModel: getCoreRowModel(),
  })
  return (
    <Box>
      <Note mt="12px">Nobody can change or remove a line, whoever they are.</Note>
      <Cluster mt="10px" alignItems="flex-end">
        <SearchField label="Person, job, address" value={value('q')} onSearch={(q) => ask({ q })} />
        <Box w="220px">
          <ChoiceField
            label="What happened"
            value={value('action')}
            options={ACTIONS}
            onChange={(action) => ask({ action })}
          />
        </Box>
      </Cluster>
      <Problem mt="10px">{problem}</Problem>
      {data?.total === 0 && <Text mt="14px">Nothing like that has happened.</Text>}
      <Box overflowX="auto">
        <chakra.table w="100%" mt="14px" aria-label="Audit">
          <chakra.thead hideBelow="md">
            {table.getHeaderGroups().map((group) => (
              <chakra.tr key={group.id} borderBottom="2px solid" borderColor="text">
                {group.headers.map((header) => (
                  <chakra.th
                    key={header.id}
                    scope="col"
                    textAlign="left"
                    py="8px"
                    fontSize="14px"
                    color="faint"
                  >
                    {flexRender(header.column.columnDef.header, header.getContext())}
                  </chakra.th>
                ))}
              </chakra.tr>
            ))}
          </chakra.thead>
          <tbody>
            {table.getRowModel().rows.map((row) => (
              <chakra.tr
                layerStyle="ruleBelow"
                key={row.id}
                display={{ base: 'block', md: 'table-row' }}
                py={{ base: '8px', md: '0' }}
              >
                {row.getVisibleCells().map((cell) => (
                  <Cell key={cell.id}>{flexRender(cell.column.columnDef.cell, cell.getContext())}</Cell>
                ))}
              </chakra.tr>
            ))}
          </tbody>
        </chakra.table>
      </Box>
      {data && <Pager page={page} total={data.total} onTurn={turnTo} />}
    </Box>
  )
}
