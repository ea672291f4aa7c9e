import { Stack, Text, chakra } from '@chakra-ui/react'
import { formatNumber, type LikelyTypo, type SplitString, type Verdict } from '@plumb-mark/core'
import { VerdictMark } from '../../ui/verdict-mark.js'
import type { PictureProps } from '../../ui/drawings/props.js'
import { Danger, Small } from '../../ui/theme/text.js'
import { shape } from '../../ui/drawings/shape.js'
import { Numbered } from '../../ui/list.js'

interface Pair {
  name: string
  wanted: string
  found: string
  verdict: Verdict
}

const PAIRS = {
  'serial-map': ({ input, result }) =>
    (input.planned as { position: string; serial: string }[]).map(({ position, serial }): Pair => {
      const typo = (result.likelyTypos as LikelyTypo[]).find((one) => one.position === position)
      const missing = (result.missing as string[]).includes(position)
      return {
        name: position,
        wanted: serial,
        found: typo ? `${typo.reported} (a slip?)` : missing ? 'silent' : 'reported',
        verdict: missing ? 'does-not-conform' : 'conforms',
      }
    }),
  settings: ({ input, result }) =>
    (result.items as { key: string; verdict: Verdict }[]).map(({ key, verdict }): Pair => {
      const rule = input.expected[key]
      const wanted =
        rule.equals !== undefined
          ? String(rule.equals)
          : rule.oneOf
            ? rule.oneOf.join(' or ')
            : `${rule.min ?? '…'} to ${rule.max ?? '…'}`
      return { name: key, wanted, found: String(input.recorded[key] ?? 'not written down'), verdict }
    }),
} satisfies Record<string, (props: PictureProps) => Pair[]>

/** What was wanted beside what was found. */
export function Pairs(of: keyof typeof PAIRS) {
  return function Picture(props: PictureProps) {
    return (
      <chakra.table w="100%" fontSize="15px">
        <thead>
          <chakra.tr color="faint" fontSize="13px" textAlign="left">
            <th></th>
            <th>wanted</th>
            <th>found</th>
            <th></th>
          </chakra.tr>
        </thead>
        <tbody>
          {PAIRS[of](props).map(({ name, wanted, found, verdict }) => (
            <chakra.tr layerStyle="ruleAbove" key={name}>
              <chakra.th textAlign="left" fontWeight={600} py="8px" pr="8px">
                {name}
              </chakra.th>
              <chakra.td fontFamily="mono" pr="8px">
                {wanted}
              </chakra.td>
              <chakra.td fontFamily="mono" pr="8px">
                {found}
              </chakra.td>
              <td>
                <VerdictMark verdict={verdict} />
              </td>
            </chakra.tr>
          ))}
        </tbody>
      </chakra.table>
    )
  }
}

/** Each string as a row of modules. */
export function Split({ result }: PictureProps) {
  return (
    <Stack>
      {(result.strings as SplitString[]).map(({ count, power, planes }, i) => (
        <div key={i}>
          <Small>
            String {i + 1}: {count} modules, {formatNumber(power, 0)} W (
            {planes.map(({ id, modules }) => `${modules} on ${id}`).join(', ')})
          </Small>
          <chakra.div display="flex" gap="3px" flexWrap="wrap">
            {Array.from({ length: count }, (_, k) => (
              <chakra.span key={k} w="16px" h="24px" bg="accent" borderRadius="1px" />
            ))}
          </chakra.div>
        </div>
      ))}
      {result.impossible.length > 0 && (
        <Danger>Cannot be split within these limits: {result.impossible.join(', ')}</Danger>
      )}
    </Stack>
  )
}

/** The rail with its marks, each measured from the same end. */
export function Rail({ input, result }: PictureProps) {
  const scale = 590 / result.length
  const marks = result.marks as number[]
  return (
    <Stack>
      <chakra.svg viewBox="0 0 610 96" w="100%" maxW="700px" role="img" aria-label="Marks along the rail">
        {marks.map((at, i) => (
          <g key={i}>
            <shape.rect
              x={8 + (at - input.moduleWidth / 2) * scale}
              y={8}
              width={input.moduleWidth * scale}
              height={48}
              fill="accentWash"
              stroke="accent"
            />
            <shape.line
              x1={8 + at * scale}
              x2={8 + at * scale}
              y1={2}
              y2={80}
              stroke="text"
              strokeWidth="2px"
            />
          </g>
        ))}
        <shape.rect x={8} y={62} width={590} height={9} fill="faint" />
      </chakra.svg>
      <Numbered fontFamily="mono" css={{ columns: '130px' }}>
        {(result.said as string[]).map((mark, i) => (
          <li key={i}>{mark}</li>
        ))}
      </Numbered>
    </Stack>
  )
}

/** Who lifts what. */
export function Lifts({ result }: PictureProps) {
  return (
    <Stack>
      {(result.lifts as { name: string; mass: number; people: number; machine: boolean }[]).map(
        ({ name, mass, people, machine }, i) => (
          <Text key={i} fontSize="19px">
            <b>{name}</b>, {formatNumber(mass, 1)} kg:{' '}
            {machine ? 'by machine' : people === 1 ? 'one person' : `${people} people`}
          </Text>
        ),
      )}
    </Stack>
  )
}
