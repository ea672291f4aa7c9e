import { Box, Flex, useBreakpointValue, useToken } from '@chakra-ui/react'
import { Bar, BarChart, LabelList, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { RECURRING_BY, type Recurring as Row, type RecurringBy } from '@plumb-mark/contract'
import { useResource } from '../data/resource.js'
import type { useListAddress } from '../lists/list-address.js'
import { Note, SectionTitle } from '../ui/theme/text.js'
import { ChoiceField, optionsOf } from '../ui/choice-field.js'
import { Cluster } from '../ui/cluster.js'

const WORDS: Record<RecurringBy, string> = {
  clause: 'what failed',
  maker: 'maker',
  model: 'model',
  revision: 'revision of the sheet',
  installer: 'installer',
  month: 'month',
}
const MOST = 10

/** What leads from a bar to the cases behind it. */
const CASES: Record<RecurringBy, (row: Row) => Record<string, string>> = {
  clause: ({ maker, model, clause }) => ({ maker, model, clause }),
  maker: ({ maker }) => ({ maker }),
  model: ({ maker, model }) => ({ maker, model }),
  revision: ({ maker, model, revision }) => ({ maker, model, revision }),
  installer: ({ installer }) => ({ installer }),
  month: ({ key }) => ({ month: key }),
}

/** What comes back: in how many jobs the same thing failed; a bar leads to its cases. */
export function Recurring({
  address: { asked, ask, value },
}: {
  address: ReturnType<typeof useListAddress>
}) {
  const by = (RECURRING_BY as readonly string[]).includes(value('by'))
    ? (value('by') as RecurringBy)
    : 'clause'
  const question = new URLSearchParams(asked)
  question.delete('page')
  question.set('by', by)
  const { value: data = [] } = useResource<Row[]>(`/api/defects/recurring?${question.toString()}`, {
    keepsPrevious: true,
  })
  const narrow = useBreakpointValue({ base: true, md: false }) ?? false
  const [accent, text] = useToken('colors', ['accent', 'text'])
  const rows = data.slice(0, MOST).map((row) => ({ ...row, key: row.key || 'nobody named' }))
  if (data.length === 0) return null
  const again = data.filter(({ jobs }) => jobs > 1).length
  return (
    <Box as="section" aria-label="What comes back" mt="22px">
      <Cluster alignItems="flex-end" gap="16px">
        <Box flex="1" minW="240px">
          <SectionTitle>What comes back</SectionTitle>
          <Note>
            {again === 0
              ? 'Nothing here failed in more than one job.'
              : `${again} of ${data.length} failed in more than one job. A bar leads to its cases.`}
          </Note>
        </Box>
        <Box w="220px">
          <ChoiceField
            label="Counted by"
            value={by}
            options={optionsOf(RECURRING_BY, WORDS)}
            onChange={(next) => ask({ by: next === 'clause' ? undefined : next })}
          />
        </Box>
      </Cluster>
      <Box h={`${(narrow ? 52 : 34) * rows.length + 12}px`} mt="8px">
        <ResponsiveContainer>
          <BarChart
            data={rows}
            layout="vertical"
            margin={{ left: 0, right: narrow ? 40 : 90, top: 4, bottom: 4 }}
          >
            <XAxis type="number" dataKey="jobs" hide allowDecimals={false} domain={[0, 'dataMax']} />
            <YAxis
              type="category"
              dataKey="key"
              width={narrow ? 170 : 300}
              tickLine={false}
              axisLine={false}
              tick={{ fontSize: 13, fill: text }}
              interval={0}
            />
            <Bar
              dataKey="jobs"
              fill={accent}
              isAnimationActive={false}
              cursor="pointer"
              onClick={(_bar, index) => rows[index] && ask({ state: 'all', ...CASES[by](data[index]!) })}
            >
              <LabelList
                dataKey={(row: Row) =>
                  narrow ? row.jobs : `${row.jobs} ${row.jobs === 1 ? 'job' : 'jobs'}, ${row.open} open`
                }
                position="right"
                fontSize={13}
                fill={text}
              />
            </Bar>
          </BarChart>
        </ResponsiveContainer>
      </Box>
      <Flex as="ul" srOnly>
        {rows.map((row, i) => (
          <li key={row.key}>
            <button onClick={() => ask({ state: 'all', ...CASES[by](data[i]!) })}>
              {row.key}: {row.jobs} jobs, {row.defects} defects, {row.open} open
            </button>
          </li>
        ))}
      </Flex>
    </Box>
  )
}
