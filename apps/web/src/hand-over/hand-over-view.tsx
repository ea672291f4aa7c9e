import { Box, Button, Image, Stack, Table, Text, chakra } from '@chakra-ui/react'
import { Printer } from 'lucide-react'
import { useMemo, type ReactNode } from 'react'
import { Link, useParams } from 'react-router'
import { VERDICT_WORDS, handOver, type HandOver, normaliseLabel, type SerialFound } from '@plumb-mark/core'
import { useWritable } from '../job/use-writable.js'
import { Lead, Note, SectionTitle, Small, Strong, Unproven, ViewTitle } from '../ui/theme/text.js'
import { useInspection } from '../job/inspection.js'
import { useMessageText } from '../job/message-text.js'
import { ReceiveForm } from './receive-form.js'
import { useSiteTime } from '../job/site-time.js'
import { Cluster } from '../ui/cluster.js'
import { Numbered } from '../ui/list.js'

/** The page that stays with the customer, in plain words: what was installed, how it is set, what the lights mean, how to switch off. */
export function HandOverView() {
  const { day } = useSiteTime()
  const inspection = useInspection((state) => state.inspection)
  const told = useMemo(() => inspection && handOver(inspection), [inspection])
  const writable = useWritable()
  if (!inspection || !told) return null
  const { header, handedOver } = inspection.state
  return (
    <Box layerStyle="page" maxW="820px" _print={{ p: 0, maxW: 'none' }}>
      <Cluster>
        <ViewTitle flex="1">Your installation</ViewTitle>
        <Button variant="outline" onClick={() => window.print()} _print={{ display: 'none' }}>
          <Printer size={18} /> Print
        </Button>
      </Cluster>
      <Lead>
        {header?.site}, for {header?.customer}
      </Lead>
      <Still open={told.open} />
      <Installed installed={told.installed} />
      <SwitchOff {...told.switchOff} />
      <Settings settings={told.settings} />
      <Part title="How long it lasts in an outage">
        {told.reserve.length === 0 && <Note>No reserve has been worked out with you yet.</Note>}
        {told.reserve.map(({ unit, finding }) => (
          <Reserve key={unit} unit={unit} finding={finding} />
        ))}
      </Part>
      <Lights lights={told.lights} />
      <Part title="Take care">
        <Text>
          Modules in light are live whatever the switch says, and a battery cannot be switched off inside.
          Only qualified people open, measure or change the equipment. In a fire, tell the brigade that there
          are modules and a battery.
        </Text>
      </Part>
      <Part title="Whom to call, and received">
        {handedOver ? (
          <Stack gap="6px">
            <Text fontSize="20px">{handedOver.body.call}</Text>
            <Text>
              Received by {handedOver.body.to} on {day(handedOver.at)}, handed over by {handedOver.by.name}
            </Text>
            <Image
              src={handedOver.body.drawing}
              alt={`Signature of ${handedOver.body.to}`}
              maxW="320px"
              bg="#fff"
            />
          </Stack>
        ) : writable ? (
          <ReceiveForm />
        ) : (
          <Note>Not received yet.</Note>
        )}
      </Part>
    </Box>
  )
}

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <chakra.section mt="24px" css={{ breakInside: 'avoid' }}>
    <SectionTitle layerStyle="ruleBelow" mb="8px">
      {title}
    </SectionTitle>
    {children}
  </chakra.section>
)

/** What is not right yet is said first: nobody should sign for something else. */
function Still({ open }: { open: HandOver['open'] }) {
  const { jobId } = useParams()
  if (open.length === 0) return null
  const wrong = open.filter(({ verdict }) => verdict === 'does-not-conform')
  return (
    <Box bg="unprovenWash" p="14px" mt="16px" borderRadius="4px" role="note">
      <Strong>
        Not everything is settled: {wrong.length} {VERDICT_WORDS['does-not-conform']},{' '}
        {open.length - wrong.length} not proven or not inspected.
      </Strong>
      {wrong.slice(0, 5).map(({ place, title }) => (
        <Small key={`${place} ${title}`}>
          {title}, {place}
        </Small>
      ))}
      <chakra.span _print={{ display: 'none' }}>
        <Link to={`/jobs/${jobId}/sign-off`}>All of it</Link>
      </chakra.span>
    </Box>
  )
}

const Installed = ({ installed }: Pick<HandOver, 'installed'>) => (
  <Part title="What was installed">
    <Rows
      head={['What', 'Kind', 'Maker and model', 'Serial']}
      rows={installed.map(({ label, kind, name, ...serial }) => [label, kind, name, serialWords(serial)])}
    />
  </Part>
)

/** What stands on site; what was ordered beside it where it is another, or where nobody has read the plate. */
function serialWords({ found, ordered }: SerialFound): string {
  if (!found) return ordered ? `not read; ordered ${ordered}` : 'not read'
  return ordered && normaliseLabel(ordered) !== normaliseLabel(found)
    ? `${found} (ordered ${ordered})`
    : found
}

function SwitchOff({ steps, conflicts }: HandOver['switchOff']) {
  return (
    <Part title="How to switch off, in this order">
      {steps.length === 0 && <Note>The sheets of these units give no order of switching off.</Note>}
      <Numbered fontSize="18px" lineHeight={1.6}>
        {steps.map(({ key, label, of, wait }) => (
          <li key={key}>
            <b>{label}</b> ({[...new Set(of.map(({ unit }) => unit))].join(', ')})
            {wait > 0 && `, after waiting ${wait} s`}
          </li>
        ))}
      </Numbered>
      {conflicts.length > 0 && <Unproven>The makers’ orders differ here: ask before you switch.</Unproven>}
    </Part>
  )
}

function Settings({ settings }: Pick<HandOver, 'settings'>) {
  if (settings.length === 0) return null
  return (
    <Part title="How it is set, and what that does">
      <Rows
        head={['Unit', 'Setting', 'Set to', 'What it does']}
        rows={settings.map(({ unit, label, value, does }) => [unit, label, value, does ?? ''])}
      />
    </Part>
  )
}

function Reserve({ unit, finding }: HandOver['reserve'][number]) {
  const saying = useMessageText()
  return (
    <Lead>
      {unit}: {saying(finding)}
    </Lead>
  )
}

function Lights({ lights }: Pick<HandOver, 'lights'>) {
  if (lights.length === 0) return null
  return (
    <Part title="What the lights mean">
      <Rows
        head={['Where', 'Light', 'Meaning', 'What to do']}
        rows={lights.map(({ unit, colour, rhythm, means, next }) => [
          unit,
          `${colour}, ${rhythm}`,
          means,
          next ?? '',
        ])}
      />
    </Part>
  )
}

const Rows = ({ head, rows }: { head: string[]; rows: string[][] }) => (
  <Box overflowX="auto">
    <Table.Root size="sm" bg="panel">
      <Table.Header>
        <Table.Row bg="sunk">
          {head.map((one) => (
            <Table.ColumnHeader key={one} color="faint">
              {one}
            </Table.ColumnHeader>
          ))}
        </Table.Row>
      </Table.Header>
      <Table.Body>
        {rows.map((row) => (
          <Table.Row key={row.join(' ')} bg="panel">
            {row.map((cell, i) => (
              <Table.Cell key={i} fontWeight={i === 0 ? 600 : 400}>
                {cell}
              </Table.Cell>
            ))}
          </Table.Row>
        ))}
      </Table.Body>
    </Table.Root>
  </Box>
)
