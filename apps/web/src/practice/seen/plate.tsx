import { Box, chakra } from '@chakra-ui/react'
import type { AnswerOf, FormField } from '@plumb-mark/core'
import { SmallPrint } from '../../look/text.js'

const LINE = 24
const W = 320

/** The nameplate of a unit: what is printed on it, without a word of what was ordered. */
export function Plate({
  fields,
  values,
}: {
  fields: readonly FormField[]
  values: AnswerOf<'fields'>['values']
}) {
  const h = fields.length * LINE + 36
  return (
    <Box as="figure" mt="10px" maxW="460px">
      <chakra.svg
        viewBox={`0 0 ${W} ${h}`}
        w="100%"
        role="img"
        aria-label={`Nameplate: ${said(fields, values)}`}
      >
        <chakra.rect
          x="2"
          y="2"
          width={W - 4}
          height={h - 4}
          rx="8"
          fill="panel"
          stroke="text"
          strokeWidth="2px"
        />
        {[14, W - 14].flatMap((x) =>
          [14, h - 14].map((y) => (
            <chakra.circle key={`${x} ${y}`} cx={x} cy={y} r="4" fill="none" stroke="faint" />
          )),
        )}
        {fields.map(({ id, label }, i) => (
          <g key={id} transform={`translate(28 ${34 + i * LINE})`}>
            <chakra.text fontSize="13px" fill="faint">
              {label}
            </chakra.text>
            <chakra.text x={W - 56} fontSize="16px" fontFamily="mono" textAnchor="end" fill="text">
              {values[id]?.typed ?? ''}
            </chakra.text>
          </g>
        ))}
      </chakra.svg>
      <SmallPrint as="figcaption">Nameplate, drawn.</SmallPrint>
    </Box>
  )
}

const said = (fields: readonly FormField[], values: AnswerOf<'fields'>['values']): string =>
  fields.map(({ id, label }) => `${label} ${values[id]?.typed ?? 'worn off'}`).join(', ')
