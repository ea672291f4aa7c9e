import { Box, Button, Flex, Input, Table } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import {
  inForce,
  settingRows,
  type AnswerOf,
  type DeviceWord,
  type JudgedCheck,
  type SettingAsked,
} from '@plumb-mark/core'
import { Simulated } from '../../devices/simulated.js'
import { useDeviceAnswer } from '../../devices/use-device-answer.js'
import { Danger, Mono, SmallPrint, Strong, Unproven } from '../../ui/theme/text.js'
import { AsFound } from '../../ui/as-found.js'
import { VerdictShape } from '../../ui/verdict-mark.js'
import { useAnswerOf } from '../answer-of.js'
import { UnitHeading } from '../unit-heading.js'
import { useAnswering } from '../use-answering.js'
import { Cluster } from '../../ui/cluster.js'

const WHERE = 'Read where'

/** Settings side by side: what each must be, what was found, where it was read, and in words what the figure does. */
export function SettingsTable({ judged }: { judged: JudgedCheck }) {
  const answer = useAnswerOf(judged) as AnswerOf<'fields'> | undefined
  const keep = useAnswering()
  const tell = useDeviceAnswer(judged)
  const { requirement, unit, title, ask } = judged.check
  if (requirement.kind !== 'settings' || ask.kind !== 'record' || ask.form !== 'fields') return null
  const values = answer?.values ?? {}
  const current = inForce(judged.history)
  const word = current?.kind === 'record' ? current.body.word : undefined
  const options = new Map(ask.fields.map((field) => [field.id, field.options]))
  const readAll = () => {
    const told = tell?.()
    if (told) keep?.(judged, told.answer, told.word)
  }
  const put = (id: string, text: string) => {
    const others = Object.fromEntries(Object.entries(values).filter(([key]) => key !== id))
    keep?.(judged, { values: text.trim() === '' ? others : { ...others, [id]: { typed: text.trim() } } })
  }
  const finding = 'finding' in judged.outcome ? String(judged.outcome.finding) : ''
  return (
    <Box as="section" aria-label={`${title}, ${unit.label}`}>
      <UnitHeading judged={judged} />
      <Cluster mb="8px">
        {keep && tell && <Button onClick={readAll}>Read all from {unit.label}</Button>}
        {word?.device.simulated && <Simulated />}
        {judged.outcome.verdict === 'does-not-conform' && <Danger>{finding}</Danger>}
        {judged.outcome.verdict === 'not-proven' && <Unproven>{finding}</Unproven>}
      </Cluster>
      <Box overflowX="auto">
        <Table.Root size="sm" bg="panel">
          <Table.Header>
            <Table.Row bg="sunk">
              {['Setting', 'Must be', 'As found', WHERE].map((head) => (
                <Table.ColumnHeader
                  key={head}
                  color="faint"
                  fontSize="13px"
                  hideBelow={head === WHERE ? 'md' : undefined}
                >
                  {head}
                </Table.ColumnHeader>
              ))}
            </Table.Row>
          </Table.Header>
          <Table.Body>
            {settingRows(requirement.settings, values).map(({ setting, required, verdict, does }) => (
              <Table.Row key={setting.id} bg={verdict === 'does-not-conform' ? 'dangerWash' : 'panel'}>
                <Table.Cell>
                  <Flex align="center" gap="8px">
                    <VerdictShape verdict={verdict} size={16} />
                    <Strong>{setting.label}</Strong>
                  </Flex>
                </Table.Cell>
                <Table.Cell fontFamily="mono">{withUnit(required, setting)}</Table.Cell>
                <Table.Cell minW="150px">
                  <Found
                    label={`${setting.label} as found`}
                    typed={values[setting.id]?.typed ?? ''}
                    unit={setting.unit}
                    options={options.get(setting.id)}
                    onKeep={keep && ((text) => put(setting.id, text))}
                  />
                  <SmallPrint hideFrom="md">
                    {whereRead(setting.id, word, values[setting.id] !== undefined)}
                  </SmallPrint>
                  {does && (
                    <SmallPrint color={verdict === 'does-not-conform' ? 'danger' : undefined}>
                      {does}
                    </SmallPrint>
                  )}
                </Table.Cell>
                <Table.Cell hideBelow="md">
                  <SmallPrint>{whereRead(setting.id, word, values[setting.id] !== undefined)}</SmallPrint>
                </Table.Cell>
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      </Box>
    </Box>
  )
}

const withUnit = (required: string, { unit, rule }: SettingAsked): string =>
  unit && rule && /\d/.test(required) ? `${required} ${unit}` : required

/** A figure or a word of the display; kept when the field is left or Enter is pressed. */
function Found({
  label,
  typed,
  unit,
  options,
  onKeep,
}: {
  label: string
  typed: string
  unit: string | undefined
  options: readonly string[] | undefined
  onKeep: ((text: string) => void) | undefined
}) {
  const [text, setText] = useState(typed)
  useEffect(() => setText(typed), [typed])
  if (!onKeep) return <Mono>{typed ? `${typed} ${unit ?? ''}` : '–'}</Mono>
  if (options) return <AsFound name={label} value={typed} options={options} onChange={onKeep} whenLeft />
  const leave = () => text.trim() !== typed && onKeep(text)
  return (
    <Flex align="center" gap="6px">
      <Input
        aria-label={label}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onBlur={leave}
        onKeyDown={(event) => event.key === 'Enter' && leave()}
        fontFamily="mono"
        maxW="140px"
        autoComplete="off"
      />
      {unit && <SmallPrint>{unit}</SmallPrint>}
    </Flex>
  )
}

function whereRead(id: string, word: DeviceWord | undefined, entered: boolean): string {
  const read = word?.points.find(({ part }) => part === id)
  if (!read) return entered ? 'typed from the display' : 'not read yet'
  const scale = read.exponent === 0 ? '' : ` × 10^${read.exponent}`
  const where = read.point.includes(String(read.register))
    ? read.point
    : `${read.point} (register ${read.register})`
  return `${where}: ${read.raw}${scale}, ${new Date(read.at).toLocaleTimeString([], { hour12: false })}`
}
